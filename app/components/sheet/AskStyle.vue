<script setup lang="ts">
import type { Stepped, StyleValue } from '#core/tree'
import { FAMILIES, type StyleProperty, refuseStyle } from '#core/styles'
import { useBench } from '~/stores/bench'

const props = defineProps<{
  property: StyleProperty
  stepped: Stepped | undefined
  inherited: Stepped | undefined
  nodeId: string | null
}>()
const emit = defineEmits<{ set: [value: StyleValue | null] }>()

const bench = useBench()
const surface = useSurface()
const refused = ref('')
const origin = computed(() => originOf(props.stepped, props.inherited, bench.step))
const hint = computed(() => {
  void surface.value?.boxes.value
  return origin.value.value === undefined ? drawnValue(surface.value, props.nodeId, props.property.name) : ''
})
const ask = computed(() => props.property.ask)
const colour = computed(() => (typeof origin.value.value === 'string' ? origin.value.value : undefined))
const unit = computed(() =>
  ask.value.kind === 'length' ? 'px' : ask.value.kind === 'number' ? (ask.value.unit ?? '') : '',
)

function set(value: StyleValue | null) {
  refused.value = value === null ? '' : (refuseStyle(props.property, value) ?? '')
  if (!refused.value) emit('set', value)
}
function setNumber(text: string) {
  set(text.trim() === '' ? null : Number(text))
}
</script>

<template>
  <div class="grid grid-cols-[84px_1fr_auto] items-center gap-x-1 py-0.5">
    <span class="text-soft">{{ property.label }}</span>
    <select
      v-if="ask.kind === 'choice'"
      class="input"
      :value="origin.value ?? ''"
      :aria-label="property.label"
      @change="set(($event.target as HTMLSelectElement).value || null)"
    >
      <option value="">house</option>
      <option v-for="o in ask.options" :key="o.value" :value="o.value">{{ o.label }}</option>
    </select>
    <select
      v-else-if="ask.kind === 'family'"
      class="input"
      :value="origin.value ?? ''"
      :aria-label="property.label"
      @change="set(($event.target as HTMLSelectElement).value || null)"
    >
      <option value="">house</option>
      <option value="@heading">that of headings</option>
      <option value="@text">that of text</option>
      <option v-for="f in FAMILIES" :key="f.name" :value="f.name">{{ f.name }}</option>
    </select>
    <AskColour
      v-else-if="ask.kind === 'colour'"
      :value="colour"
      :label="property.label"
      :node-id="nodeId"
      :is-background="property.name === 'background'"
      @set="set"
    />
    <span v-else class="relative">
      <input
        class="input pr-7! font-mono text-xs"
        type="number"
        :value="origin.value ?? ''"
        :min="ask.min"
        :max="ask.max"
        :step="ask.kind === 'number' ? ask.step : 1"
        :placeholder="hint"
        :aria-label="property.label"
        @change="setNumber(($event.target as HTMLInputElement).value)"
      />
      <span class="pointer-events-none absolute right-2 top-1/2 -translate-y-1/2 text-2xs text-soft">{{ unit }}</span>
    </span>
    <OriginMark :from="origin.from" :label="property.label" @reset="set(null)" />
    <p v-if="refused" class="col-span-3 mt-1 bg-wash p-1.5 text-xs" role="alert">
      {{ property.label }}: {{ refused }}.
    </p>
  </div>
</template>
