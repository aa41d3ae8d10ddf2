<script setup lang="ts">
/** One part of the long sheet of the house style. A hand that comes to it has its marks shown on the page. */
defineProps<{ title: string; id: string }>()
defineEmits<{ come: [] }>()
</script>

<template>
  <section :id="`house-${id}`" class="border-t px-5 py-4 first:border-t-0" :aria-label="title" @focusin="$emit('come')">
    <h2 class="made mb-2.5 text-lg">{{ title }}</h2>
    <slot />
  </section>
</template>
