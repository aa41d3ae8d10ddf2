<script setup lang="ts">
import type { At } from '#core/edits'

/** A measure of the house. */
const props = defineProps<{
  label: string
  at: At
  value: number | undefined
  min: number
  max: number
  step?: number
  unit?: string
  placeholder?: string
  shows?: string
}>()
const edits = useHouseEdits()
const { mark } = useHouseMark()
const number = ref<{ scrub(event: PointerEvent): void }>()
const refused = ref('')
const refuse = (v: number | string) =>
  typeof v === 'number' && v >= props.min && v <= props.max ? null : `choose a number from ${props.min} to ${props.max}`
</script>

<template>
  <div class="grid grid-cols-[112px_1fr] items-center gap-x-2 py-0.5" @focusin.stop="shows && (mark = shows)">
    <span
      class="cursor-ew-resize select-none text-soft"
      title="Drag over this to change the number"
      @pointerdown="number?.scrub($event)"
      >{{ label }}</span
    >
    <AskNumber
      ref="number"
      :value="value"
      :min="min"
      :max="max"
      :step="step"
      :unit="unit ?? 'px'"
      :label="label"
      :placeholder="placeholder"
      :refuse="refuse"
      @set="edits.set(at, $event)"
      @refused="refused = $event"
    />
    <p v-if="refused" class="col-start-2 mt-1 bg-wash p-1.5 text-xs" role="alert">{{ refused }}.</p>
  </div>
</template>
