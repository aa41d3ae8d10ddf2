<script setup lang="ts">
import { useMap } from '~/stores/map'
import { useSite } from '~/stores/site'

definePageMeta({ layout: 'studio' })
useHead({ title: 'Map' })

const map = useMap()
const route = useRoute()
const site = useSite()

/** Links from elsewhere name a frame to open or a page to explain. */
onMounted(async () => {
  await map.restore()
  const { frame, page } = route.query
  if (typeof frame === 'string' && !map.edit) map.beginEdit(frame)
  const at = typeof page === 'string' ? site.catalogue?.indexOf(page) : undefined
  if (at !== undefined)
    map.selection = {
      rows: [`page:${String(page)}`],
      pages: new Set([at]),
      page: String(page),
      region: null,
      frame: null,
    }
})
</script>

<template>
  <div
    class="grid h-full grid-cols-[290px_minmax(0,1fr)_288px] max-lg:grid-cols-[260px_minmax(0,1fr)] max-md:grid-cols-1 max-md:grid-rows-[45vh_75vh_auto] max-md:overflow-y-auto"
  >
    <FrameLadder class="min-h-0" />
    <section class="flex min-h-0 flex-col border-x bg-sheet max-md:border-y" aria-label="Map of all pages">
      <MapTable class="min-h-0 flex-1" />
      <ImpactBar v-if="map.edit" />
    </section>
    <WhyPanel class="min-h-0 max-lg:col-span-full max-lg:max-h-[40vh] max-lg:border-t max-md:max-h-none" />
  </div>
</template>
