<script setup lang="ts">
/** The edge of a panel beside the page: dragged, or moved by arrows, to make the panel wider. */
const width = defineModel<number>({ required: true })
const props = defineProps<{ side: 'left' | 'right'; label: string }>()

const { least: LEAST, most: MOST } = PANEL
const set = (value: number) => (width.value = Math.round(Math.max(LEAST, Math.min(MOST, value))))
const wider = computed(() => (props.side === 'left' ? 1 : -1))

function begin(event: PointerEvent) {
  const had = width.value
  followPointer(event, ({ x }) => set(had + x * wider.value))
}
</script>

<template>
  <div
    role="separator"
    tabindex="0"
    aria-orientation="vertical"
    :aria-label="label"
    :aria-valuenow="width"
    :aria-valuemin="LEAST"
    :aria-valuemax="MOST"
    class="absolute inset-y-0 z-20 w-1.5 cursor-col-resize hover:bg-spot/40 focus-visible:bg-spot/40 max-md:hidden"
    :class="side === 'left' ? '-right-1' : '-left-1'"
    @pointerdown.prevent="begin"
    @keydown.left.prevent.stop="set(width - 16 * wider)"
    @keydown.right.prevent.stop="set(width + 16 * wider)"
    @dblclick="set(side === 'left' ? 248 : 280)"
  />
</template>
