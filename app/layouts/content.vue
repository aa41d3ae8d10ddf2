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
  { to: '/studio/content/bring', label: 'Bring along' },
  { to: '/studio/content/settings', label: 'Settings' },
]
const session = useSession()
</script>

<template>
  <NuxtLayout name="studio">
    <div class="flex h-full flex-col">
      <RoomTabs label="Content" :places="PLACES">
        <span v-if="!session.mayDesign" class="ml-auto shrink-0 self-center text-xs text-soft max-xl:hidden"
          >Page types are for designers and owners to change.</span
        >
      </RoomTabs>
      <div class="min-h-0 flex-1"><slot /></div>
    </div>
  </NuxtLayout>
</template>
