<script setup lang="ts">
/** The rooms of a part of the studio, each a step from the others. */
const props = defineProps<{ label: string; places: readonly { to: string; label: string }[]; exact?: boolean }>()
const route = useRoute()
const isHere = (to: string) => (props.exact ? route.path === to : route.path.startsWith(to))
</script>

<template>
  <nav
    class="flex h-9 shrink-0 items-stretch gap-5 overflow-x-auto overflow-y-hidden border-b bg-sheet px-6"
    :aria-label="label"
  >
    <NuxtLink
      v-for="place in places"
      :key="place.to"
      :to="place.to"
      class="flex shrink-0 items-center border-b-2 border-transparent pt-0.5 text-soft hover:text-ink"
      :class="isHere(place.to) && 'border-b-ink! font-semibold text-ink!'"
      :aria-current="isHere(place.to) ? 'page' : undefined"
      >{{ place.label }}</NuxtLink
    >
    <slot />
  </nav>
</template>
