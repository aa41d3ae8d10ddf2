<script setup lang="ts">
import type { Row } from '#core/tree'
import { moveEdge } from '#core/editor'
import { useBench } from '~/stores/bench'

const props = defineProps<{ row: Row; level: number }>()

const bench = useBench()
const { selected, tabindex, hidden, why, own } = usePlanItem(() => props.row)
const folded = computed(() => bench.folded.has(props.row.id))
const spans = computed(() => props.row.children.map((c) => c.span).join(' + '))
const width = computed(() => ({ band: 'full width', full: 'full width' })[String(props.row.styles.width?.wide)] ?? '')
const columns = ref<HTMLElement>()
/** While the edge of a column is dragged: which, and by how many units. */
const edge = ref<{ index: number; units: number } | null>(null)

function shownSpan(index: number): number {
  const { span } = props.row.children[index]!
  if (!edge.value) return span
  if (edge.value.index === index) return span + edge.value.units
  return edge.value.index === index - 1 ? span - edge.value.units : span
}

function beginEdge(index: number, event: PointerEvent) {
  const unit = columns.value!.getBoundingClientRect().width / 12
  const [a, b] = [props.row.children[index]!.span, props.row.children[index + 1]!.span]
  followPointer(
    event,
    ({ x }) => (edge.value = { index, units: Math.max(1 - a, Math.min(b - 1, Math.round(x / unit))) }),
    (done) => {
      if (done && edge.value) bench.apply(moveEdge(props.row, index, edge.value.units))
      edge.value = null
    },
  )
}
</script>

<template>
  <div
    :data-plan="row.id"
    role="treeitem"
    :tabindex="tabindex"
    :aria-level="level"
    :aria-selected="selected"
    :aria-label="`${row.name ?? 'Row'}, ${spans}${why}`"
    :aria-expanded="!folded"
    class="relative border bg-sheet"
    :class="[
      selected ? 'border-ink' : 'border-edge',
      hidden && 'opacity-60',
      // What is out of sight is laid out when it comes into it.
      level === 1 && '[contain-intrinsic-size:auto_120px] [content-visibility:auto]',
    ]"
  >
    <div class="flex cursor-default items-baseline justify-between gap-2 px-1.5 py-0.5" :class="selected && 'cornered'">
      <span class="grow text-xs [overflow-wrap:anywhere]"
        ><span v-if="own" class="mr-1 font-mono font-bold" aria-hidden="true">{{ OWN_MARKS[own] }}</span
        >{{ row.name ?? 'Row' }} <span v-if="width" class="text-soft">{{ width }}</span></span
      >
      <span class="shrink-0 font-mono text-2xs text-soft">{{
        row.children.map((_, i) => shownSpan(i)).join(' + ')
      }}</span>
      <button
        type="button"
        data-edge
        tabindex="-1"
        class="-mr-1 w-3 shrink-0 self-stretch text-2xs text-soft hover:text-ink"
        :aria-label="folded ? `Unfold ${row.name ?? 'this row'}` : `Fold ${row.name ?? 'this row'}`"
        @click.stop="bench.fold(row.id)"
      >
        {{ folded ? '+' : '−' }}
      </button>
    </div>
    <div v-if="!folded" ref="columns" class="grid grid-cols-12 px-1 pb-1" role="group">
      <div
        v-for="(column, i) in row.children"
        :key="column.id"
        class="relative min-w-0"
        :style="{ gridColumn: `span ${shownSpan(i)}` }"
      >
        <PlanColumn :column="column" :level="level + 1" />
        <button
          v-if="bench.mayEdit && i < row.children.length - 1"
          type="button"
          data-edge
          tabindex="-1"
          class="absolute -right-[5px] top-0 z-10 h-full w-2.5 cursor-col-resize after:absolute after:inset-y-1 after:left-1 after:w-0.5 after:bg-transparent hover:after:bg-spot"
          :aria-label="`Drag the edge between columns ${i + 1} and ${i + 2}`"
          @pointerdown.stop.prevent="beginEdge(i, $event)"
        />
      </div>
    </div>
  </div>
</template>
