<script setup lang="ts" generic="T">
/** Several values in order: each moved up and down, taken out, and one more added behind them. */
const props = defineProps<{ label: string; items: readonly T[]; most: number }>()
const emit = defineEmits<{ set: [items: T[]] }>()

function move(at: number, by: number) {
  const next = [...props.items]
  const [item] = next.splice(at, 1)
  if (at + by < 0 || at + by > next.length) return
  next.splice(at + by, 0, item!)
  emit('set', next)
}
const without = (at: number) =>
  emit(
    'set',
    props.items.filter((_, i) => i !== at),
  )
const SMALL = 'px-1 text-soft hover:text-ink disabled:opacity-30'
</script>

<template>
  <fieldset class="min-w-0">
    <legend class="mb-1 font-medium">{{ label }}</legend>
    <ol v-if="items.length" class="mb-1 border-t bg-sheet">
      <li v-for="(item, at) in items" :key="at" class="flex items-center gap-1 border-x border-b px-1.5 py-1">
        <div class="min-w-0 flex-1"><slot :item="item" :at="at" /></div>
        <button
          type="button"
          :class="SMALL"
          :disabled="at === 0"
          :aria-label="`Move ${at + 1} up`"
          @click="move(at, -1)"
        >
          ↑
        </button>
        <button
          type="button"
          :class="SMALL"
          :disabled="at === items.length - 1"
          :aria-label="`Move ${at + 1} down`"
          @click="move(at, 1)"
        >
          ↓
        </button>
        <button type="button" :class="SMALL" :aria-label="`Take ${at + 1} out`" @click="without(at)">×</button>
      </li>
    </ol>
    <slot v-if="items.length < most" name="more" />
  </fieldset>
</template>
