<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { useMap } from '~/stores/map'
import { useNotices } from '~/stores/notices'
import { useSite } from '~/stores/site'

definePageMeta({ layout: 'studio' })
useHead({ title: 'Map' })

const map = useMap()
const route = useRoute()
const site = useSite()
const notices = useNotices()

/** Undo and redo wherever nothing is being typed. */
useEventListener('keydown', (event) => {
  const key = event.key.toLowerCase()
  const typing =
    event.target instanceof Element && event.target.closest('input:not([type=checkbox]), textarea, [role=dialog]')
  if (!(event.ctrlKey || event.metaKey) || typing || (key !== 'z' && key !== 'y')) return
  event.preventDefault()
  const again = key === 'y' || event.shiftKey
  void notices.attempt(again ? map.redo : map.undo).then((said) => said && notices.say(said))
})

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
