<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core'
import { type Box, type Drop, dropAt } from '#core/editor'
import { tally, find } from '#core/tree'
import { counted } from '#core/text'
import { useBench } from '~/stores/bench'

/** The schematic of the layout: everything in it, to proportion, always reachable. */
defineEmits<{ add: [] }>()

const bench = useBench()
const { addRow } = useBenchActions()
const plan = ref<HTMLElement>()
const drop = ref<Drop | null>(null)
const palette = useLocalStorage('outer-frame:palette', false)
const layout = computed(() => bench.layout!)
const elementsIn = tally((node) => (node.kind === 'element' ? 1 : 0))
const counts = computed(() => {
  const [rows, elements] = [layout.value.children.length, elementsIn(layout.value)]
  return `${counted(rows, 'row')}, ${counted(elements, 'element')}`
})

function boxOf(id: string): Box | undefined {
  const own = plan.value!.getBoundingClientRect()
  if (id === layout.value.id) return { x: 0, y: 0, width: own.width, height: own.height }
  const box = plan.value!.querySelector(`[data-plan="${CSS.escape(id)}"]`)?.getBoundingClientRect()
  return box && { x: box.x - own.x, y: box.y - own.y, width: box.width, height: box.height }
}

const { begin, dragging } = useDragging({
  nodeAt: (event) =>
    !bench.mayEdit ? null : ((event.target as Element).closest<HTMLElement>('[data-plan]')?.dataset.plan ?? null),
  over(id, event) {
    const node = find(layout.value, id)?.node
    const own = plan.value!.getBoundingClientRect()
    drop.value = node ? dropAt(layout.value, boxOf, { x: event.clientX - own.x, y: event.clientY - own.y }, node) : null
  },
  end(id, done) {
    if (done && drop.value) bench.drop(id, drop.value)
    drop.value = null
  },
})

const landing = useLanding(() => plan.value?.getBoundingClientRect(), boxOf)
const shownDrop = computed(() => drop.value ?? landing.value)

const { rows, need } = useRowsInTurn(() => layout.value.children)

const itemOf = (id: string) => plan.value?.querySelector<HTMLElement>(`[data-plan="${CSS.escape(id)}"]`)

watch(
  () => bench.selected,
  async (id) => {
    const inTree = plan.value?.contains(document.activeElement) ?? false
    if (id && !itemOf(id)) need()
    await nextTick()
    if (!id) return
    itemOf(id)?.scrollIntoView({ block: 'nearest' })
    if (inTree) itemOf(id)?.focus({ preventScroll: true })
  },
)

/** Puts the focus on the thing in hand, or on the first. */
function focus() {
  const first = bench.selected ?? layout.value.children[0]?.id
  if (first) itemOf(first)?.focus()
}
defineExpose({ focus })

/** A press on the plan takes what is under it, with Shift and Ctrl or Cmd beside what is in hand already. */
function choose(event: MouseEvent) {
  const item = (event.target as Element).closest<HTMLElement>('[data-plan]')
  if (item) bench.choose(item.dataset.plan!, howChosen(event))
}
</script>

<template>
  <section class="flex min-h-0 flex-col border-r bg-board" aria-label="Plan" data-keys>
    <div class="flex items-baseline justify-between px-3 pb-2 pt-3">
      <h2 class="made text-base">Plan</h2>
      <span class="text-2xs text-soft">{{ counts }}</span>
    </div>
    <div class="min-h-24 flex-1 overflow-y-auto px-3 pb-4" @click.self="bench.selected = null">
      <div
        ref="plan"
        class="relative space-y-1.5"
        role="tree"
        aria-label="Rows, columns and elements"
        :class="dragging && 'cursor-grabbing'"
        aria-multiselectable="true"
        @pointerdown="begin"
        @click="choose"
      >
        <PlanRow v-for="row in rows" :key="row.id" :row="row" :level="1" />
        <p v-if="layout.children.length === 0" class="border border-dashed border-edge p-3 text-soft">
          Nothing stands here yet. Begin with a row of columns, or add an element.
        </p>
        <div
          v-if="shownDrop"
          class="pointer-events-none absolute z-20 bg-spot"
          :style="{
            left: `${shownDrop.line.x}px`,
            top: `${shownDrop.line.y}px`,
            width: `${shownDrop.line.width}px`,
            height: `${shownDrop.line.height}px`,
          }"
        />
      </div>
      <div v-if="bench.mayEdit" class="mt-2 grid grid-cols-2 gap-1.5">
        <button
          type="button"
          class="border border-dashed border-edge py-1.5 text-soft hover:border-ink hover:text-ink"
          @click="addRow([12])"
        >
          Add a row
        </button>
        <button
          type="button"
          class="border border-dashed border-edge py-1.5 text-soft hover:border-ink hover:text-ink"
          @click="$emit('add')"
        >
          Add an element
        </button>
      </div>
    </div>
    <button
      v-if="bench.mayEdit"
      type="button"
      class="flex shrink-0 items-baseline justify-between border-t px-3 py-1.5 text-start"
      :aria-expanded="palette"
      @click="palette = !palette"
    >
      <span class="font-semibold">Palette</span
      ><span class="text-2xs text-soft">{{ palette ? 'put away' : 'drag from it' }}</span>
    </button>
    <div v-if="palette && bench.mayEdit" class="max-h-[55%] shrink-0 overflow-y-auto"><BenchPalette /></div>
  </section>
</template>
