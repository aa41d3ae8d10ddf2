<script setup lang="ts">
/** Tiles of what a layout can begin as, under what they are for. */
defineProps<{ title?: string }>()
</script>

<template>
  <section class="mb-5">
    <h3 v-if="title" class="mb-1.5 font-semibold">{{ title }}</h3>
    <div class="grid grid-cols-[repeat(auto-fill,minmax(230px,1fr))] items-start gap-3"><slot /></div>
  </section>
</template>
