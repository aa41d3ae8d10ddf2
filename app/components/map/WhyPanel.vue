<script setup lang="ts">
import { type Why, resolveFully, whyOf } from '#core/rules'
import { REGIONS } from '#core/tree'
import { writeParameters } from '#core/addresses'
import { useChecks } from '~/stores/checks'
import { useDesign } from '~/stores/design'
import { useMap } from '~/stores/map'
import { useSession } from '~/stores/session'

const map = useMap()
const design = useDesign()
const checks = useChecks()
const session = useSession()
const { draw } = useDrawing()

const page = computed(() => (map.selection ? map.catalogue?.page(map.selection.page) : undefined))
const count = computed(() => map.selection?.pages.size ?? 0)
const triedDesign = computed(() => ({ ...design.design, frames: map.triedFrames }))
const why = computed<Why | null>(() => {
  if (!page.value || !map.catalogue || !map.triedCompiled) return null
  const outcome = resolveFully(map.triedCompiled, page.value, map.request)
  return whyOf(outcome, map.triedRules, map.catalogue, page.value, map.request)
})
const html = computed(() =>
  page.value ? draw({ design: triedDesign.value, rules: map.triedRules, page: page.value, request: map.request }) : '',
)
const layouts = computed(() =>
  why.value
    ? REGIONS.flatMap((region) => {
        const { shown } = why.value!.regions[region]
        return shown.kind === 'layout' ? [{ id: shown.layout, region }] : []
      })
    : [],
)
/** The published page as this visitor would ask for it. */
const address = computed(() => {
  const query = writeParameters(map.request.parameters)
  return page.value?.address ? page.value.address + (query && `?${query}`) : ''
})
</script>

<template>
  <aside class="overflow-y-auto bg-board px-3.5 pb-6 pt-3" aria-label="Why">
    <div v-if="!page || !why" class="text-soft">
      <h2 class="made mb-1 text-lg text-ink">Why</h2>
      <p>Select a page to see what it looks like, which frame decided each region, and why the others did not.</p>
      <p class="mt-2">Select a strip, or several rows with Shift, to give those pages another layout.</p>
    </div>
    <template v-else>
      <p class="text-xs text-soft">
        {{ count > 1 ? `${count.toLocaleString('en')} pages in hand; one of them` : 'Why this page looks as it does' }}
      </p>
      <h2 class="made break-words text-lg leading-tight">{{ page.title }}</h2>
      <p class="mb-2 break-all font-mono text-2xs text-soft">{{ page.address || 'every address that is no page' }}</p>
      <PagePicture class="border" :draw="() => html" :title="`${page.title}, small`" />
      <HomeChoice v-if="page.kind === 'home' && session.mayDesign" class="mt-2" />
      <FindingMarks class="mt-2" :findings="checks.byPage.get(page.key)" />
      <WhyRegion v-for="region in REGIONS" :key="region" :region="region" :outcome="why.regions[region]" />
      <WhyNear v-if="why.near.length" :near="why.near" />
      <div class="mt-4 flex flex-wrap gap-2">
        <a v-if="address" class="btn" :href="address" target="_blank">Open the published page</a>
        <NuxtLink v-if="page.entry" class="btn" :to="`/studio/content/entries/${page.entry}`">Edit the entry</NuxtLink>
        <NuxtLink
          v-for="l in layouts"
          :key="l.region"
          class="btn max-w-full"
          :to="{ path: `/studio/layouts/${l.id}`, query: { page: page.key } }"
        >
          <span class="truncate">Edit {{ design.layoutName(l.id) }}</span>
        </NuxtLink>
      </div>
    </template>
  </aside>
</template>
