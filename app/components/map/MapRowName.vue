<script setup lang="ts">
import type { MapRow } from '#core/map'
import { frameName } from '#core/rules'
import { useDesign } from '~/stores/design'
import { useMap } from '~/stores/map'

const props = defineProps<{ row: MapRow; selected: boolean; open: boolean }>()
defineEmits<{ select: [event: MouseEvent]; fold: []; keydown: [event: KeyboardEvent] }>()

const design = useDesign()
const map = useMap()
const label = computed(() => {
  if (props.row.kind !== 'exception') return props.row.label
  const frame =
    map.triedFrames.find((f) => f.id === props.row.frame) ?? design.frameById.get(props.row.frame ?? '')?.frame
  return frame && map.names ? frameName(frame, map.names) : 'others'
})
const foldable = computed(() => props.row.kind === 'group' && props.row.pages.length > 1)
</script>

<template>
  <div
    v-if="row.kind === 'heading'"
    class="flex items-end pb-1 text-xs font-semibold text-soft"
    role="heading"
    aria-level="2"
  >
    {{ row.label }}
  </div>
  <div
    v-else
    class="flex min-w-0 items-center border-b"
    :class="selected && 'bg-ink text-sheet'"
    :style="{ paddingInlineStart: `${row.depth * 18 + (selected ? 4 : 0)}px` }"
  >
    <button
      v-if="foldable"
      type="button"
      class="mr-1 w-4 shrink-0 text-2xs"
      tabindex="-1"
      :aria-label="open ? `Fold ${label}` : `Unfold ${label}`"
      @click="$emit('fold')"
    >
      {{ open ? '▾' : '▸' }}
    </button>
    <button
      data-row
      type="button"
      class="min-w-0 flex-1 truncate py-1 text-start"
      :class="[!foldable && row.depth === 0 && 'pl-5', row.kind === 'exception' && 'italic']"
      :aria-pressed="selected"
      :aria-expanded="foldable ? open : undefined"
      :title="label"
      @click="$emit('select', $event)"
      @dblclick="foldable && $emit('fold')"
      @keydown="$emit('keydown', $event)"
    >
      {{ label }}
    </button>
    <span
      v-if="row.kind !== 'page'"
      class="pl-2 pr-1 font-mono text-2xs"
      :class="selected ? 'text-sheet' : 'text-soft'"
      >{{ row.pages.length }}</span
    >
  </div>
</template>
