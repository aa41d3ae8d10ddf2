<script setup lang="ts">
import { type Cell, type MapRow, cellOf } from '#core/map'
import { sameShown } from '#core/rules'
import { useDesign } from '~/stores/design'
import { useMap } from '~/stores/map'

/** One cell of a strip: joined to its neighbours above and below when they show the same. */
const props = defineProps<{
  rows: MapRow[]
  index: number
  region: number
  selected: boolean
  changed: boolean
  first: boolean
}>()
defineEmits<{ select: [event: MouseEvent] }>()

const design = useDesign()
const map = useMap()
const shownName = useShownName()

/** A heading shows what runs past it, when it is the same above and below. */
function cellAt(index: number): Cell | null {
  const row = props.rows[index]
  if (!row || !map.table) return null
  if (row.kind !== 'heading') return cellOf(row, props.region, map.table)
  const [above, below] = [props.rows[index - 1], props.rows[index + 1]].map((r) =>
    r ? cellOf(r, props.region, map.table!) : null,
  )
  return above && below && sameShown(above.shown, below.shown) ? above : null
}
const joined = (a: Cell | null, b: Cell | null) => a !== null && b !== null && sameShown(a.shown, b.shown)

const cell = computed(() => cellAt(props.index))
const above = computed(() => joined(cellAt(props.index - 1), cell.value))
const below = computed(() => joined(cell.value, cellAt(props.index + 1)))
const layout = computed(() => (cell.value?.shown.kind === 'layout' ? cell.value.shown.layout : null))
const labelled = computed(() => !above.value || props.first || props.selected)
const label = computed(() => (cell.value ? shownName(cell.value.shown) : ''))
const shares = computed(() => {
  const { shares: all = [], shown } = cell.value ?? {}
  if (all.length < 2) return null
  const main = all.find((s) => sameShown(s.shown, shown!))?.count ?? 0
  const total = props.rows[props.index]!.pages.length
  return { text: `${main}/${total}`, all: all.map((s) => `${shownName(s.shown)} ${s.count}`).join(', ') }
})
</script>

<template>
  <div
    v-if="!cell || rows[index]!.kind === 'heading'"
    :class="cell && ['border-x', layout ? ['tinted', design.tintOf(layout)] : cell.shown.kind === 'empty' && 'hatched']"
  />
  <button
    v-else
    type="button"
    tabindex="-1"
    class="relative flex min-w-0 items-start justify-between gap-1 overflow-hidden border-x px-2 pt-1 text-start text-xs leading-[18px]"
    :class="[
      layout ? ['tinted', design.tintOf(layout)] : 'border-rule text-soft',
      cell.shown.kind === 'empty' && 'hatched',
      !above && 'mt-0.5 border-t pt-0.5!',
      !below && 'mb-0.5 border-b',
      selected && 'cornered z-10',
      changed && 'pr-4!',
    ]"
    :title="shares ? shares.all : label"
    @click="$emit('select', $event)"
  >
    <span
      v-if="labelled"
      class="truncate"
      :class="[layout ? 'font-medium' : 'bg-sheet px-1', cell.shown.kind === 'none' && 'opacity-80']"
      >{{ label }}</span
    >
    <span v-if="shares" class="shrink-0 font-mono text-2xs">{{ shares.text }}</span>
    <span
      v-if="changed"
      class="absolute right-1 top-1/2 size-2 -translate-y-1/2 rounded-full bg-spot"
      title="This edit changes it"
      ><span class="sr-only">changed by this edit</span></span
    >
  </button>
</template>
