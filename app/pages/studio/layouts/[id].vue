<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import type { Page } from '#core/model'
import { useBench } from '~/stores/bench'
import { useFinder } from '~/stores/finder'
import { useFollowing } from '~/stores/following'
import { useMap } from '~/stores/map'
import { usePieces } from '~/stores/pieces'
import { useSite } from '~/stores/site'

definePageMeta({ layout: 'studio' })

const route = useRoute()
const bench = useBench()
const site = useSite()
const map = useMap()
const following = useFollowing()
const pieces = usePieces()
const failed = ref('')
const adding = ref(false)
const keys = ref(false)
const finder = useFinder()
/** What stands at the right instead of the properties. */
const aside = ref<BenchAside>('sheet')
const view = ref<BenchView>('both')
const width = ref(1240)
/** How wide the panels beside the page are; it stays so in this browser. */
const planWidth = usePanelWidth('plan', 248)
const sheetWidth = usePanelWidth('sheet', 280)
const columns = computed(() =>
  view.value === 'both'
    ? `${planWidth.value}px minmax(0,1fr) ${sheetWidth.value}px`
    : `minmax(0,1fr) ${sheetWidth.value}px`,
)
const sheet = ref<{ focusFirst(): void }>()
const plan = ref<{ focus(): void }>()
const onPaper = ref<{ editWords(): boolean }>()
const id = computed(() => String(route.params.id))
const shown = shallowRef<Page | null>(null)
/** The page with which it was opened: until somebody picks another one, a better one may take its place. */
let opened: Page | null = null
watch(shown, (page) => (bench.page = page))
/** The page that the layout is first shown with; of a piece one on which it stands. */
const firstPage = (): Page => {
  const { id: of, region } = bench.layout!
  const standsIn = region === 'piece' ? pieces.reachOf(of).layouts : []
  return firstPageFor(bench.layout!, site.catalogue!, map.kept, standsIn)
}
/** The content is another: the same page as it is now, or, where it is gone, another one. */
watch(
  () => site.catalogue?.state,
  () => {
    const { catalogue } = site
    if (catalogue && shown.value && bench.layout) shown.value = catalogue.page(shown.value.key) ?? firstPage()
  },
)

const surface = shallowRef<PageSurface>()
provide('surface', surface)

useHead({ title: () => bench.layout?.name ?? 'Bench' })

/** Asked for while the screen before is still being put away. */
const asked = import.meta.client ? bench.askEarly(id.value) : undefined

async function open() {
  failed.value = ''
  try {
    await bench.open(id.value, asked)
    const at = typeof route.query.page === 'string' ? site.catalogue?.page(route.query.page) : undefined
    if (typeof route.query.node === 'string') bench.selected = route.query.node
    shown.value = opened = at ?? firstPage()
  } catch (error) {
    failed.value = (error as Error).message
  }
}
onMounted(open)
useLive(() => id.value)
watch(
  () => map.kept,
  (table, before) => {
    if (table && !before && bench.layout && !route.query.page && shown.value === opened) shown.value = firstPage()
  },
)
onBeforeUnmount(bench.close)

const { onWindow, onPage } = useBenchKeys({
  add: () => (adding.value = bench.mayEdit),
  editText: () => {
    clearTimeout(comingBack)
    if (!onPaper.value?.editWords()) sheet.value?.focusFirst()
  },
  showKeys: () => (keys.value = true),
  find: () => (finder.open = true),
})
useEventListener('keydown', onWindow)
const actions = useBenchActions()
useBenchFindables(() => {
  const looks = [
    { label: 'History of this layout', run: () => (aside.value = 'history') },
    ...(following.variation ? [{ label: 'Own changes of this variation', run: () => void (aside.value = 'own') }] : []),
    { label: 'Three widths side by side', run: () => (view.value = 'widths') },
    { label: 'Keys of the bench', keys: ['?'], run: () => (keys.value = true) },
  ]
  if (!bench.mayEdit) return looks
  return [
    { label: 'Add something', keys: ['A'], run: () => (adding.value = true) },
    { label: 'Duplicate what is in hand', keys: ['D'], run: actions.duplicate },
    { label: 'Remove what is in hand', keys: ['X'], run: actions.remove },
    { label: 'Split the column', keys: ['S'], run: actions.split },
    { label: 'Merge columns', keys: ['M'], run: actions.merge },
    { label: 'Copy', keys: ['Ctrl', 'C'], run: actions.copy },
    { label: 'Paste', keys: ['Ctrl', 'V'], run: actions.paste },
    { label: 'Undo', keys: ['Ctrl', 'Z'], run: bench.undo },
    { label: 'Redo', keys: ['Ctrl', 'Shift', 'Z'], run: bench.redo },
    ...looks,
  ]
})
/** To the thing in hand on the plan, from wherever a hand was. */
const toPlan = () => plan.value?.focus()
/** The hand is on its way to the plan; words that it takes up before it is there keep it. */
let comingBack: ReturnType<typeof setTimeout> | undefined
function closeAdding() {
  adding.value = false
  // Headless UI gives the focus back a moment later.
  comingBack = setTimeout(toPlan, 50)
}
useEventListener('beforeunload', (event) => {
  // What is unsent is kept in this browser too, so leaving loses nothing; the question is only while it is on its way.
  if (bench.saving === 'waiting') event.preventDefault()
})
</script>

<template>
  <div v-if="failed" class="grid h-full place-items-center" role="alert">
    <div class="max-w-md text-center">
      <p class="made mb-2 text-lg">This layout cannot be opened</p>
      <p class="mb-4 text-soft">{{ failed }}</p>
      <NuxtLink class="btn" to="/studio/layouts">Back to the shelf</NuxtLink>
    </div>
  </div>
  <p
    v-else-if="!bench.layout || bench.layout.id !== id || !shown"
    class="grid h-full place-items-center text-soft"
    role="status"
  >
    Fetching the layout…
  </p>
  <div v-else class="flex h-full flex-col">
    <BenchBar v-model:aside="aside" v-model:view="view" v-model:shown="shown" @add="adding = true" />
    <div
      class="grid min-h-0 flex-1 max-md:grid-cols-1!"
      :class="view === 'both' ? 'max-md:grid-rows-[26vh_1fr_26vh]' : 'max-md:grid-rows-[1fr_36vh]'"
      :style="{ gridTemplateColumns: columns }"
    >
      <div v-show="view === 'both' || view === 'plan'" class="relative grid min-h-0 min-w-0">
        <BenchPlan ref="plan" @add="adding = true" />
        <PanelEdge v-if="view === 'both'" v-model="planWidth" side="left" label="Width of the plan" />
      </div>
      <BenchWidths v-if="view === 'widths'" ref="onPaper" :page="shown" @key="onPage" @add="adding = true" />
      <BenchPage
        v-else
        v-show="view !== 'plan'"
        ref="onPaper"
        v-model:width="width"
        :page="shown"
        @key="onPage"
        @add="adding = true"
      />
      <div class="relative grid min-h-0 min-w-0">
        <BenchHistory v-if="aside === 'history'" @close="aside = 'sheet'" />
        <BenchOwn v-else-if="aside === 'own' && following.variation" @close="aside = 'sheet'" />
        <PropertySheet v-else ref="sheet" :page="shown" @leave="toPlan" />
        <PanelEdge v-model="sheetWidth" side="right" label="Width of the properties" />
      </div>
    </div>
    <BenchFooter @keys="keys = true" />
    <p class="sr-only" role="status" data-testid="said">{{ bench.said }}</p>
    <AddDialog v-if="adding" @close="closeAdding" />
    <KeysDialog v-if="keys" @close="keys = false" />
  </div>
</template>
