<script setup lang="ts">
import { type Cell, type MapRow, type Shown, sameShown } from '#core/frames'
import { useDesign } from '~/stores/design'

/** One cell of a strip: joined to its neighbours above and below when they show the same. */
const props = defineProps<{
  rows: MapRow[]
  index: number
  region: number
  selected: boolean
  changed: boolean
  first: boolean
}>()
defineEmits<{ select: [] }>()

const design = useDesign()

/** A heading shows what runs past it, when it is the same above and below. */
function cellAt(index: number): Cell | null {
  const row = props.rows[index]
  if (!row) return null
  if (row.cells) return row.cells[props.region]!
  const [above, below] = [props.rows[index - 1]?.cells?.[props.region], props.rows[index + 1]?.cells?.[props.region]]
  return above && below && sameShown(above.shown, below.shown) ? above : null
}
const joined = (a: Cell | null, b: Cell | null) => a !== null && b !== null && sameShown(a.shown, b.shown)

const cell = computed(() => cellAt(props.index))
const above = computed(() => joined(cellAt(props.index - 1), cell.value))
const below = computed(() => joined(cell.value, cellAt(props.index + 1)))
/** Cells of the row in hand stand for themselves, so that they can be framed. */
const layout = computed(() => (cell.value?.shown.kind === 'layout' ? cell.value.shown.layout : null))
const labelled = computed(() => !above.value || props.first || props.selected)

function name(shown: Shown): string {
  if (shown.kind === 'layout') return design.layoutName(shown.layout)
  return { empty: 'left empty', none: 'nothing', plain: 'plain body' }[shown.kind]
}
const label = computed(() => (cell.value ? name(cell.value.shown) : ''))
const shares = computed(() => {
  const { shares: all = [], shown } = cell.value ?? {}
  const row = props.rows[props.index]!
  if (all.length < 2 || row.kind !== 'group') return null
  const main = all.find((s) => sameShown(s.shown, shown!))?.count ?? 0
  return { text: `${main}/${row.pages.length}`, all: all.map((s) => `${name(s.shown)} ${s.count}`).join(', ') }
})
</script>

<template>
  <div v-if="!cell" />
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
    ]"
    :title="shares ? shares.all : label"
    @click="$emit('select')"
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
      class="absolute right-0.5 top-1/2 size-2 -translate-y-1/2 rounded-full bg-spot"
      title="This edit changes it"
      ><span class="sr-only">changed by this edit</span></span
    >
  </button>
</template>
