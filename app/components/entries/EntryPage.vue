<script setup lang="ts">
import { useDebounceFn, useResizeObserver } from '@vueuse/core'
import { CompiledRules, resolve } from '#core/rules'
import { CompiledDesign } from '#core/render'
import { sceneOf } from '#core/drawing'
import { Catalogue } from '#core/catalogue'
import type { Entry } from '#core/model'
import { REGIONS, type Region } from '#core/tree'
import { useDesign } from '~/stores/design'
import { useMap } from '~/stores/map'
import { useSite } from '~/stores/site'

/** The page of an entry as it will be, drawn by the layouts that will show it, following what is written. */
const props = defineProps<{ entry: Entry }>()

const site = useSite()
const design = useDesign()
const map = useMap()
const REST = 160
const WIDTHS = [
  ['wide', 1240],
  ['narrow', 390],
] as const
const width = ref<number>(1240)
const frame = ref<HTMLIFrameElement>()
const box = ref<HTMLElement>()
const room = ref(0)
useResizeObserver(box, ([e]) => (room.value = e!.contentRect.width))
const scale = computed(() => Math.min(1, room.value / width.value))
const html = ref('')
const shown = shallowRef<{ region: Region; layout: string; name: string }[]>([])

let made: { of: object; catalogue: Catalogue } | null = null
/** A catalogue of its own that follows the writing, over the content as it is. */
function ownCatalogue(): Catalogue {
  const of = site.catalogue!.state
  if (made?.of !== of) made = { of, catalogue: new Catalogue(site.catalogue!.site) }
  return made.catalogue
}

/** As if it were out: what is written is seen as its visitors will. */
function draw() {
  const { id } = props.entry
  const entry = { ...props.entry, published: true, from: null, until: null }
  const catalogue = ownCatalogue()
  catalogue.follow([{ id, entry }])
  const page = catalogue.page(`entry:${id}`)
  if (!page) return
  const compiled = new CompiledDesign(design.design)
  const outcome = resolve(new CompiledRules(design.rules, catalogue), page, map.request)
  html.value = compiled.draw(
    sceneOf(catalogue, site.formats, page, { cards: compiled.cards, menus: compiled.menus, request: map.request }),
    outcome,
  ).html
  shown.value = REGIONS.flatMap((region) => {
    const { shown: says } = outcome.regions[region]
    return says.kind === 'layout' ? [{ region, layout: says.layout, name: design.layoutName(says.layout) }] : []
  })
}
const drawSoon = useDebounceFn(draw, REST)
watch([() => props.entry, () => design.design], drawSoon, { deep: true })
watch(() => site.catalogue?.state, drawSoon)
onMounted(draw)

/** What was scrolled to stays in sight when the page is drawn again; links lead nowhere from here. */
let top = 0
function loaded() {
  const inside = frame.value?.contentWindow
  if (!inside) return
  inside.scrollTo(0, top)
  inside.addEventListener('scroll', () => (top = inside.scrollY))
  inside.document.addEventListener('click', (event) => event.preventDefault(), true)
}
</script>

<template>
  <section class="flex min-h-0 flex-col border-l bg-board" aria-label="Its page">
    <div class="flex h-9 shrink-0 items-center gap-3 border-b bg-sheet px-3 text-xs">
      <span class="text-soft">Its page, as it will be</span>
      <span class="ml-auto flex" role="group" aria-label="Width">
        <button
          v-for="[name, px] in WIDTHS"
          :key="name"
          type="button"
          class="px-2 py-0.5"
          :class="width === px ? 'bg-ink text-sheet' : 'hover:bg-board'"
          :aria-pressed="width === px"
          @click="width = px"
        >
          {{ name }}
        </button>
      </span>
    </div>
    <div ref="box" class="relative min-h-0 flex-1 overflow-hidden">
      <iframe
        ref="frame"
        :srcdoc="html"
        title="Its page, as it will be"
        sandbox="allow-same-origin"
        class="absolute left-1/2 top-0 origin-top border-0 bg-raised"
        :style="{
          width: `${width}px`,
          height: `${100 / (scale || 1)}%`,
          transform: `translateX(-50%) scale(${scale})`,
        }"
        @load="loaded"
      />
    </div>
    <p class="shrink-0 border-t bg-sheet px-3 py-1.5 text-xs text-soft">
      <template v-if="shown.length"
        >Drawn by
        <template v-for="(s, i) in shown" :key="s.region"
          ><template v-if="i">, </template
          ><NuxtLink :to="`/studio/layouts/${s.layout}?page=entry:${entry.id}`" class="underline">{{
            s.name
          }}</NuxtLink>
          ({{ s.region }})</template
        ></template
      >
      <template v-else>No layout shows it yet; this is the plain body.</template>
    </p>
  </section>
</template>
