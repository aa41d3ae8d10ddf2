<script setup lang="ts">
import { useMap } from '~/stores/map'

definePageMeta({ layout: 'studio' })
useHead({ title: 'Map' })

const map = useMap()
</script>

<template>
  <div
    class="grid h-full grid-cols-[290px_minmax(0,1fr)_288px] max-lg:grid-cols-[260px_minmax(0,1fr)] max-md:grid-cols-1 max-md:overflow-y-auto"
  >
    <FrameLadder class="min-h-0" />
    <section class="flex min-h-0 flex-col border-x bg-sheet max-md:min-h-[70vh]" aria-label="Map of all pages">
      <MapTable class="min-h-0 flex-1" />
      <ImpactBar v-if="map.edit" />
    </section>
    <WhyPanel class="min-h-0 max-lg:col-span-full max-lg:max-h-[40vh] max-lg:border-t" />
  </div>
</template>
