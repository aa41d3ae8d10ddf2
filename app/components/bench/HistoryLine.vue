<script setup lang="ts">
import type { PastStep } from '~/composables/useBenchHistory'

/** One line of the history: when, what, by whom; pressed, the layout is looked at as it was right after. */
defineProps<{ line: PastStep; words: string; time: string; by?: string; inSight: boolean }>()
</script>

<template>
  <button
    type="button"
    class="grid w-full grid-cols-[40px_1fr] gap-2 px-3.5 py-1 text-start hover:bg-board"
    :class="inSight && 'cornered bg-wash'"
    :aria-current="inSight ? 'step' : undefined"
  >
    <span class="font-mono text-2xs leading-5 text-soft">{{ time }}</span>
    <span>
      {{ words }}
      <span v-if="by" class="text-2xs text-soft">by {{ by }}</span>
      <span v-if="line.since === 0" class="text-2xs text-soft">now</span>
    </span>
  </button>
</template>
