<script setup lang="ts">
import { useSession } from '~/stores/session'

/** The rooms of the content, each a step from the others. */
const PLACES = [
  { to: '/studio/content/entries', label: 'Entries' },
  { to: '/studio/content/types', label: 'Page types' },
  { to: '/studio/content/terms', label: 'Terms' },
  { to: '/studio/content/people', label: 'People' },
  { to: '/studio/content/menus', label: 'Menus' },
  { to: '/studio/content/pictures', label: 'Pictures' },
  { to: '/studio/content/addresses', label: 'Addresses' },
  { to: '/studio/content/bring', label: 'Bring along' },
  { to: '/studio/content/settings', label: 'Settings' },
]
const route = useRoute()
const session = useSession()
const isHere = (to: string) => route.path.startsWith(to)
</script>

<template>
  <NuxtLayout name="studio">
    <div class="flex h-full flex-col">
      <nav
        class="flex h-9 shrink-0 items-stretch gap-5 overflow-x-auto overflow-y-hidden border-b bg-sheet px-6"
        aria-label="Content"
      >
        <NuxtLink
          v-for="place in PLACES"
          :key="place.to"
          :to="place.to"
          class="flex shrink-0 items-center border-b-2 border-transparent pt-0.5 text-soft hover:text-ink"
          :class="isHere(place.to) && 'border-b-ink! font-semibold text-ink!'"
          :aria-current="isHere(place.to) ? 'page' : undefined"
          >{{ place.label }}</NuxtLink
        >
        <span v-if="!session.mayDesign" class="ml-auto shrink-0 self-center text-xs text-soft max-xl:hidden"
          >Page types are for designers and owners to change.</span
        >
      </nav>
      <div class="min-h-0 flex-1"><slot /></div>
    </div>
  </NuxtLayout>
</template>
