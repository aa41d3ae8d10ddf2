<script setup lang="ts">
/** One thing of the house that is asked: its label, and what it is answered with. */
defineProps<{ label: string; hint?: string }>()
</script>

<template>
  <div class="grid grid-cols-[112px_1fr] items-center gap-x-2 py-0.5">
    <span class="text-soft">{{ label }}</span>
    <div class="min-w-0"><slot /></div>
    <p v-if="hint" class="col-start-2 text-2xs text-soft">{{ hint }}</p>
  </div>
</template>
