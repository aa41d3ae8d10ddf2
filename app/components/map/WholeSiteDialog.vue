<script setup lang="ts">
import { instantText } from '#core/time'
import { nanoid } from 'nanoid'
import type { Parcel } from '#core/formats'
import type { Design } from '#core/design'
import { rulesOf } from '#core/rules'
import { SITES, type SiteStarter, siteParcel } from '#core/starters'
import { useMap } from '~/stores/map'
import { useSite } from '~/stores/site'

/** Begin with a whole site: three of them, drawn with the content that there is; what it brings is confirmed as of any parcel. */
defineEmits<{ close: [] }>()

const site = useSite()
const map = useMap()
const { draw } = useDrawing()
const parcel = shallowRef<Parcel | null>(null)
const parcels = new Map<string, Parcel>()
const parcelOf = (starter: SiteStarter): Parcel => {
  const made =
    parcels.get(starter.id) ?? siteParcel(starter, site.catalogue!, () => nanoid(10), instantText(Date.now()))
  parcels.set(starter.id, made)
  return made
}
const page = computed(() => {
  const { pages, entries } = site.catalogue!
  return pages.find((p) => p.kind === 'entry' && entries.get(p.entry!)?.picture) ?? pages[0]!
})
function picture(starter: SiteStarter): string {
  const { layouts, frames, house } = parcelOf(starter)
  const design: Design = { format: 1, layouts, frames, house: house! }
  return draw({ design, rules: rulesOf(design), page: page.value, request: map.request })
}
</script>

<template>
  <ParcelDialog v-if="parcel" :parcel="parcel" @close="((parcel = null), $emit('close'))" />
  <ModalSheet v-else title="Begin with a whole site" full @close="$emit('close')">
    <p class="mb-4 text-soft">
      Headers, bodies for each page type, archives, a search and a lost page, with frames over them and a house style.
      All of it can be changed afterwards. Seen here with “{{ page.title }}”.
    </p>
    <div class="grid gap-5 md:grid-cols-3">
      <StarterTile
        v-for="starter in SITES"
        :key="starter.id"
        :name="starter.name"
        :about="starter.about"
        :chosen="false"
        :draw="() => picture(starter)"
        :ratio="1.25"
        @pick="parcel = parcelOf(starter)"
      />
    </div>
    <template #actions>
      <button type="button" class="btn" @click="$emit('close')">Not now</button>
    </template>
  </ModalSheet>
</template>
