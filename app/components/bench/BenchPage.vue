<script setup lang="ts">
import type { ShallowRef } from 'vue'
import { useElementSize } from '@vueuse/core'
import { nodeName } from '#core/elements'
import type { Box } from '#core/editor'
import { isPlace, pieceOf } from '#core/layouts'
import { type WidthStep, find, walk } from '#core/tree'
import type { Page } from '#core/model'
import { stepAt, styleProperty } from '#core/styles'
import { useBench } from '~/stores/bench'
import { useDesign } from '~/stores/design'
import { useMap } from '~/stores/map'

/** The real page at a width, with the layout in hand bright and the rest dimmed around it. */
const props = defineProps<{
  page: Page
  /** One of several pages side by side: stands at the width of a step, and is edited for it once a hand comes to it. */
  at?: WidthStep
}>()
const width = defineModel<number>('width', { required: true })
const emit = defineEmits<{ key: [event: KeyboardEvent]; add: []; scrolled: [share: number] }>()

const bench = useBench()
const design = useDesign()
const map = useMap()
const stage = ref<HTMLElement>()
const frame = ref<HTMLIFrameElement>()
const size = useElementSize(stage)
const layout = computed(() => bench.layout!)
const surface = usePageSurface(
  frame,
  computed(() => layout.value.id),
  computed(() => layout.value.region),
  (id) => {
    const node = find(layout.value, id)?.node
    return node ? [node, ...walk(node)].filter(isPlace).map((n) => n.id) : []
  },
)
const known = inject<ShallowRef<PageSurface | undefined>>('surface')
if (known) known.value = surface
const scale = computed(() => Math.min(1, Math.max(0.2, (size.width.value - 32) / width.value)))
const height = computed(() => Math.max(200, (size.height.value - 24) / scale.value))

const live = useLivePage(
  () => ({
    design: design.design,
    rules: design.rules,
    page: props.page,
    request: map.request,
    sample: bench.sample,
    inHand: { layout: layout.value.id, region: layout.value.region },
    grid: bench.inGrid && layout.value.region === 'card',
  }),
  surface,
)
watch([scale, height], () => nextTick(surface.measure))
watch(
  () => bench.selected,
  (id) => id && nextTick(() => surface.reveal(id)),
)

const words = useWordsOnPage(surface, live.again)
/** Edits the words of what is in hand, where they stand; gives whether there are any. */
const editWords = () => bench.mayEdit && bench.selected !== null && words.beginIn(bench.selected)
defineExpose({ editWords, scrollTo: surface.scrollTo })

const step = computed(() => stepAt(width.value))
// What is in hand stays in sight when the page gets another width.
watch(step, () => setTimeout(() => surface.reveal(bench.selected ?? layout.value.id), 50))
watch(step, (value) => props.at || (bench.step = value), { immediate: true })
/** A hand comes to this one of several pages. */
function come() {
  if (!props.at) return
  bench.step = props.at
  if (known) known.value = surface
}
function tellScrolled() {
  surface.measure()
  if (props.at && bench.step === props.at) emit('scrolled', surface.scrolled())
}

const { hovered, drop, dragging, listen } = usePageHands(surface, words, {
  height: () => height.value,
  come,
  scrolled: tellScrolled,
  key: (event) => emit('key', event),
  ready: live.again,
})
const landing = useLanding(
  () => frame.value?.getBoundingClientRect(),
  surface.boxOf,
  () => scale.value,
)

/** Where something is drawn, followed as the page moves. */
const boxNow = (id: string): Box | undefined => (surface.moved.value, surface.boxOf(id))

/** The one thing in hand, where somebody may size it. */
const sized = computed(() =>
  bench.mayEdit &&
  !bench.nodes.some(isPlace) &&
  (!props.at || bench.step === props.at) &&
  !words.written.value &&
  bench.nodes.length === 1 &&
  !dragging.value
    ? bench.nodes[0]!
    : null,
)
function drawnNumberOf(property: string): number {
  const look = styleProperty(property)
  return (look && bench.selected && Number.parseFloat(drawnValue(surface, bench.selected, look))) || 0
}

/** What is in hand, or under the pointer, named beside the page and never over its words. */
const inHand = computed(() => {
  const id = bench.selected ?? hovered.value
  const box = id ? boxNow(id) : undefined
  return box ? `${tagOf(id)}, ${Math.round(box.width)} × ${Math.round(box.height)}` : tagOf(id)
})

const { whyNot } = useConditions()
/** Why what is in hand cannot be seen. */
const notDrawn = computed(() => {
  const why = bench.nodes.map(whyNot).find(Boolean)
  return `${tagOf(bench.selected)} ${why ? `is ${why}` : 'draws nothing on this page'}.`
})

function tagOf(id: string | null): string {
  const node = id ? bench.standing(id)?.node : undefined
  return !node ? '' : isPlace(node) ? design.layoutName(pieceOf(node) ?? '') : nodeName(node)
}
</script>

<template>
  <section class="flex min-h-0 min-w-0 flex-col bg-[#d8d4ca]" :aria-label="at ? `Page, ${at}` : 'Page'">
    <PageRuler v-if="!at" v-model="width" :scale="scale" :in-hand="inHand" />
    <p
      v-else
      class="h-8 shrink-0 border-b bg-sheet px-2 leading-8"
      :class="bench.step === at ? 'font-semibold' : 'text-soft'"
    >
      <span v-if="bench.step === at" class="mr-1.5 inline-block size-2 border-l-2 border-t-2 border-spot" />{{ at }},
      {{ width }} px
    </p>
    <div ref="stage" class="relative min-h-0 flex-1 overflow-hidden">
      <div
        class="absolute left-1/2 top-3 origin-top-left bg-raised"
        :style="{ width: `${width * scale}px`, height: `${height * scale}px`, marginLeft: `${(-width * scale) / 2}px` }"
      >
        <iframe
          ref="frame"
          :srcdoc="EMPTY_PAGE"
          sandbox="allow-same-origin allow-scripts"
          :title="`${page.title}, with ${layout.name}`"
          class="absolute left-0 top-0 origin-top-left border-0"
          :style="{ width: `${width}px`, height: `${height}px`, transform: `scale(${scale})` }"
          @load="listen"
        />
        <BenchOverlay
          :box-of="boxNow"
          :scale="scale"
          :chosen="words.written.value ? [] : bench.chosen"
          :hovered="dragging || words.written.value ? null : hovered"
          :drop="drop ?? landing"
          :may-add="bench.mayEdit && !words.written.value"
          :people="bench.people"
          :sized="sized"
          :drawn="drawnNumberOf"
          @add="$emit('add')"
        />
        <p
          v-if="bench.selected && surface.loaded.value && !boxNow(bench.selected)"
          class="absolute inset-x-0 bottom-3 mx-auto w-fit border border-ink bg-sheet px-3 py-1.5"
          role="status"
        >
          {{ notDrawn }}
        </p>
        <p
          v-if="layout.children.length === 0"
          class="pointer-events-none absolute inset-x-0 top-1/3 mx-auto w-fit border border-dashed border-edge bg-sheet px-4 py-3 text-soft"
        >
          This layout is empty. Press <span class="kbd">A</span> or use the plan to add a row or an element.
        </p>
      </div>
    </div>
    <BenchWords :words="words" :page="page" />
  </section>
</template>
