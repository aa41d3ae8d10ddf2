<script setup lang="ts">
import type { TreeNode } from '#core/tree'
import { useBench } from '~/stores/bench'

/** In a piece: whether each place says a value itself. */
const props = defineProps<{ node: TreeNode; property: string; label: string }>()

const bench = useBench()
const open = computed(() => props.node.open?.includes(props.property) ?? false)
function set(value: boolean) {
  bench.apply({ kind: 'setOpen', id: props.node.id, property: props.property, open: value })
}
</script>

<template>
  <label
    title="Each place of this piece says it itself"
    class="-mt-0.5 mb-1 flex items-center justify-end gap-1 text-2xs"
    :class="open ? 'font-semibold' : 'text-soft'"
  >
    <input
      type="checkbox"
      class="accent-ink"
      :checked="open"
      :aria-label="`${label} is open: each place says it`"
      @change="set(($event.target as HTMLInputElement).checked)"
    />
    open to places
  </label>
</template>
