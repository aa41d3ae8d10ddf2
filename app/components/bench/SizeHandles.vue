<script setup lang="ts">
import type { BoxOf } from '#core/editor'
import type { TreeNode } from '#core/tree'
import type { SizeHandle } from '~/composables/useSizeHandles'

/** The edges of the thing in hand, taken hold of on the page itself: each says its number while it is in hand. */
const props = defineProps<{ node: TreeNode; boxOf: BoxOf; scale: number; drawn: (property: string) => number }>()

const handles = computed(() => useSizeHandles(props.node, props.boxOf, props.scale, props.drawn))
/** The handle in hand, by its key. */
const held = ref<string | null>(null)
const spaceOf = (handle: SizeHandle) => {
  const { space } = handle
  const s = props.scale
  return (
    space && {
      left: `${space.x * s}px`,
      top: `${space.y * s}px`,
      width: `${space.width * s}px`,
      height: `${space.height * s}px`,
    }
  )
}

function begin(handle: SizeHandle, event: PointerEvent) {
  held.value = handle.key
  let last = handle.value
  followPointer(
    event,
    (by) => {
      const moved = by[handle.along] / props.scale / handle.per
      const next = Math.round(handle.value + (handle.turned ? -moved : moved))
      if (next === last) return
      last = next
      now(handle.key)?.set(next)
    },
    () => (held.value = null),
  )
}
/** The same handle as it stands now: what it sets goes on from what was set before. */
const now = (key: string) => handles.value.find((h) => h.key === key)

function nudge(handle: SizeHandle, event: KeyboardEvent) {
  const by = { ArrowUp: 1, ArrowRight: 1, ArrowDown: -1, ArrowLeft: -1 }[event.key]
  if (!by) return
  event.preventDefault()
  event.stopPropagation()
  handle.set(handle.value + by * (event.shiftKey && handle.unit === 'px' ? 10 : 1))
}
</script>

<template>
  <template v-for="handle in handles" :key="handle.key">
    <div v-if="held === handle.key && spaceOf(handle)" class="hatched absolute bg-wash/60" :style="spaceOf(handle)" />
    <button
      type="button"
      role="slider"
      class="group pointer-events-auto absolute z-10 grid size-4 -translate-x-1/2 -translate-y-1/2 place-items-center"
      :class="handle.along === 'x' ? 'cursor-ew-resize' : 'cursor-ns-resize'"
      :style="{ left: `${handle.x * scale}px`, top: `${handle.y * scale}px` }"
      :aria-label="`${handle.label}, on the page`"
      :aria-valuenow="handle.value"
      :aria-valuetext="`${handle.value} ${handle.unit}`"
      :title="`${handle.label}: ${handle.value} ${handle.unit}`"
      @pointerdown.prevent.stop="begin(handle, $event)"
      @keydown="nudge(handle, $event)"
      @focus="held = handle.key"
      @blur="held = null"
    >
      <span
        class="bg-spot/60 group-hover:bg-spot group-focus-visible:bg-spot"
        :class="handle.along === 'x' ? 'h-3 w-[3px]' : 'h-[3px] w-3'"
      />
      <span
        v-if="held === handle.key"
        class="absolute left-full top-1/2 ml-1 -translate-y-1/2 whitespace-nowrap bg-ink px-1 font-mono text-2xs text-sheet"
        >{{ handle.value }} {{ handle.unit }}</span
      >
    </button>
  </template>
</template>
