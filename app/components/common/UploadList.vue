<script setup lang="ts">
import type { Upload } from '~/composables/useUploads'

/** Files on their way: how far each is, and what was refused, with the reason. */
defineProps<{ uploads: readonly Upload[] }>()
</script>

<template>
  <ul v-if="uploads.length" class="border-t bg-sheet" aria-live="polite" aria-label="Files on their way">
    <li v-for="u in uploads" :key="u.id" class="flex items-center gap-3 border-b px-3 py-1.5 text-xs">
      <span class="min-w-0 flex-1"
        ><span class="block truncate">{{ u.name }}</span
        ><strong v-if="u.failed" class="block font-semibold">{{ u.failed }}</strong></span
      >
      <progress v-if="!u.failed" class="h-1.5 w-28 accent-ink" :value="u.progress" max="1">
        {{ Math.round(u.progress * 100) }}%
      </progress>
      <button type="button" class="btn btn-small" @click="u.cancel">{{ u.failed ? 'Understood' : 'Cancel' }}</button>
    </li>
  </ul>
</template>
