<script setup lang="ts">
/** One line of a form: what is asked, and what it is answered with. */
defineProps<{ label: string }>()
</script>

<template>
  <label class="grid grid-cols-[84px_1fr] items-center">
    <span class="text-xs text-soft">{{ label }}</span>
    <slot />
  </label>
</template>
