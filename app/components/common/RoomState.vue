<script setup lang="ts">
/** What a room asks the server for: being fetched, not to be had and why, or there. */
defineProps<{ failed: string; ready: boolean; what: string }>()
defineEmits<{ again: [] }>()
</script>

<template>
  <div v-if="failed" class="grid h-full place-items-center text-center" role="alert">
    <div>
      <p class="mb-4 max-w-md">{{ failed }}</p>
      <button type="button" class="btn" @click="$emit('again')">Try again</button>
    </div>
  </div>
  <p v-else-if="!ready" class="grid h-full place-items-center text-soft" role="status">Fetching {{ what }}…</p>
  <slot v-else />
</template>
