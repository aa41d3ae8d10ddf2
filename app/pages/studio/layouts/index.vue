<script setup lang="ts">
import { LAYOUT_REGIONS, type LayoutRegion } from '#core/tree'
import { findByWords } from '#core/text'
import { useDesign } from '~/stores/design'
import { useSession } from '~/stores/session'

definePageMeta({ layout: 'studio' })
useHead({ title: 'Layouts' })

const design = useDesign()
const session = useSession()
const adding = ref<LayoutRegion | null>(null)
const typed = ref('')
const searching = computed(() => typed.value.trim() !== '')

const SHELVES: Record<LayoutRegion, { title: string; about: string }> = {
  header: { title: 'Headers', about: 'What stands at the top of pages: name or logo, menus.' },
  intro: { title: 'Intros', about: 'The band between header and body: title, trail, opening picture.' },
  body: {
    title: 'Bodies and archives',
    about: 'What a page says: an entry with its fields, or the entries of an archive.',
  },
  footer: { title: 'Footers', about: 'What stands at the foot of pages.' },
  card: { title: 'Cards', about: 'How one entry is drawn inside a grid.' },
  piece: { title: 'Shared pieces', about: 'Rows and elements that are kept once and stand in several layouts.' },
}
const starters = computed(() =>
  findByWords(
    design.layouts.filter((l) => l.layout.starter),
    typed.value,
    (l) => l.layout.name,
  ),
)
const shelves = computed(() =>
  LAYOUT_REGIONS.map((region) => ({
    region,
    ...SHELVES[region],
    layouts: findByWords(
      design.layouts.filter((l) => l.layout.region === region && !l.layout.starter),
      typed.value,
      (l) => l.layout.name,
      (l) => l.layout.about ?? '',
    ),
  })),
)
</script>

<template>
  <div class="h-full overflow-y-auto">
    <div class="mx-auto max-w-[1320px] px-6 pb-16 pt-5">
      <div class="flex items-center justify-between">
        <h1 class="made text-xl">Layouts</h1>
        <input
          v-model="typed"
          type="search"
          class="input ml-auto mr-2 w-56! max-sm:w-32!"
          placeholder="Find a layout"
          aria-label="Find a layout"
        />
        <span v-if="session.mayDesign" class="flex gap-2">
          <ParcelMenu />
          <button type="button" class="btn" @click="adding = 'header'">New layout</button>
        </span>
      </div>
      <p v-if="searching && !shelves.some((s) => s.layouts.length)" class="mt-6 text-soft" role="status">
        No layout is called “{{ typed.trim() }}”.
      </p>
      <section
        v-for="shelf in shelves.filter((s) => !searching || s.layouts.length)"
        :key="shelf.region"
        class="mt-6"
        :aria-labelledby="`shelf-${shelf.region}`"
      >
        <div class="mb-3 flex items-baseline gap-3 border-b border-ink pb-1">
          <h2 :id="`shelf-${shelf.region}`" class="text-base font-semibold">{{ shelf.title }}</h2>
          <p class="min-w-0 truncate text-xs text-soft">{{ shelf.about }}</p>
        </div>
        <div v-if="shelf.layouts.length" class="grid grid-cols-[repeat(auto-fill,minmax(270px,1fr))] gap-4">
          <LayoutCard v-for="state in shelf.layouts" :key="state.layout.id" :state="state" />
        </div>
        <button
          v-else
          type="button"
          class="flex w-full items-center justify-between border border-dashed border-edge px-4 py-4 text-start text-soft hover:border-ink"
          @click="adding = shelf.region"
        >
          <span>There is none yet.</span><span class="font-medium text-ink">Make one</span>
        </button>
      </section>
      <section v-if="starters.length" class="mt-6" aria-labelledby="shelf-starters">
        <div class="mb-3 flex items-baseline gap-3 border-b border-ink pb-1">
          <h2 id="shelf-starters" class="text-base font-semibold">Starters of your own</h2>
          <p class="min-w-0 truncate text-xs text-soft">Kept to begin from; no page shows them.</p>
        </div>
        <div class="grid grid-cols-[repeat(auto-fill,minmax(270px,1fr))] gap-4">
          <LayoutCard v-for="state in starters" :key="state.layout.id" :state="state" />
        </div>
      </section>
      <RemovedLayouts />
    </div>
    <NewLayoutDialog v-if="adding" :region="adding" @close="adding = null" />
  </div>
</template>
