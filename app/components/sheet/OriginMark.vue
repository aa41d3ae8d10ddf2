<script setup lang="ts">
import type { Origin } from '~/composables/useStyleOrigin'

/** Where a value comes from; what is set here can be given back. */
defineProps<{ from: Origin['from']; label: string }>()
defineEmits<{ reset: [] }>()
</script>

<template>
  <button
    v-if="from === 'here'"
    type="button"
    class="w-11 text-end text-2xs font-medium text-spot-deep hover:underline"
    :aria-label="`${label} is set here. Give it back`"
    title="Set here. Click to give it back"
    @click="$emit('reset')"
  >
    here ×
  </button>
  <span v-else class="w-11 text-end text-2xs text-soft">{{ from.replace('from ', '') }}</span>
</template>
