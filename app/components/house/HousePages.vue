<script setup lang="ts">
import type { Page } from '#core/model'
import { ARCHIVE_KINDS } from '#core/catalogue'
import { inTheDark } from '#core/styles'
import { specimenOf } from '#core/editor'
import { STEPS, type WidthStep } from '#core/tree'
import { useDesign } from '~/stores/design'
import { useMap } from '~/stores/map'
import { useSite } from '~/stores/site'

/** The house at work: its specimen, or real pages of the site, at one width or at all three. */
const dark = defineModel<boolean>('dark', { required: true })
const edits = useHouseEdits()
const design = useDesign()
const map = useMap()
const site = useSite()
const { draw } = useDrawing()
const shown = ref('specimen')
const at = ref<WidthStep | 'all'>('wide')
const WIDTHS = [
  { value: 'wide', label: 'Wide' },
  { value: 'medium', label: 'Medium' },
  { value: 'narrow', label: 'Narrow' },
  { value: 'all', label: 'All three' },
] as const
const steps = computed<readonly WidthStep[]>(() => (at.value === 'all' ? [...STEPS].reverse() : [at.value]))
const columns = computed(() => steps.value.map((s) => `${WIDTH_AT[s]}fr`).join(' '))

/** One page of each kind and type, the first of them. */
const pages = computed(() => {
  const found = new Map<string, Page>()
  for (const page of site.catalogue!.pages) {
    const key = `${page.kind} ${page.type ?? ''} ${page.taxonomy ?? ''}`
    if (!found.has(key)) found.set(key, page)
  }
  const order = (p: Page) => (p.kind === 'home' ? 0 : p.kind === 'entry' ? 1 : ARCHIVE_KINDS.has(p.kind) ? 2 : 3)
  return [...found.values()].sort((a, b) => order(a) - order(b))
})
const page = computed(() => pages.value.find((p) => p.key === shown.value) ?? pages.value[0]!)
const house = computed(() => (dark.value ? inTheDark(edits.house.value) : edits.house.value))
const html = computed(() => {
  if (shown.value !== 'specimen')
    return draw({
      design: { ...design.design, house: house.value },
      rules: design.rules,
      page: page.value,
      request: map.request,
    })
  const specimen = specimenOf(house.value)
  return draw({
    design: { ...design.design, house: house.value, layouts: [specimen] },
    rules: design.rules,
    page: pages.value[0]!,
    request: map.request,
    inHand: { layout: specimen.id, region: 'body' },
    alone: true,
  })
})
const LIGHT = [
  { value: 'light', label: 'In the light' },
  { value: 'dark', label: 'In the dark' },
] as const
</script>

<template>
  <section class="flex min-h-0 flex-col bg-board" aria-label="The house at work">
    <div class="flex min-h-10 shrink-0 flex-wrap items-center gap-2 border-b bg-sheet px-3.5 py-1">
      <select v-model="shown" class="input w-56!" aria-label="What the house is seen on">
        <option value="specimen">Specimen</option>
        <optgroup label="Pages of the site">
          <option v-for="p in pages" :key="p.key" :value="p.key">{{ p.title }}</option>
        </optgroup>
      </select>
      <ToggleRow
        label="Seen in the light or in the dark"
        :options="LIGHT"
        :value="dark ? 'dark' : 'light'"
        @pick="dark = $event === 'dark'"
      />
      <ToggleRow class="ml-auto" label="Width" :options="WIDTHS" :value="at" @pick="at = $event" />
    </div>
    <div class="grid min-h-0 flex-1 gap-3 p-3" :style="{ gridTemplateColumns: columns }">
      <div v-for="step in steps" :key="step" class="flex min-h-0 min-w-0 flex-col border border-edge">
        <HousePage
          :html="html"
          :width="WIDTH_AT[step]"
          :title="`${shown === 'specimen' ? 'Specimen' : page.title}, ${step}`"
        />
      </div>
    </div>
  </section>
</template>
