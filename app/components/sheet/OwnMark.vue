<script setup lang="ts">
import { useBench } from '~/stores/bench'
import { useFollowing } from '~/stores/following'

/** On a variation: that a value is its own, what its base says, and the way back to following. */
const props = defineProps<{
  /** What the value is known by among own changes; nothing for what has none. */
  of: string | null | undefined
  label: string
}>()

const bench = useBench()
const following = useFollowing()
const change = computed(() => following.changeOf(props.of))
</script>

<template>
  <p v-if="change && following.base" class="mb-1 flex items-baseline gap-1.5 text-2xs" :data-own="of">
    <span class="shrink-0 font-semibold">≠ own</span>
    <span class="min-w-0 flex-1 text-soft [overflow-wrap:anywhere]"
      >{{ following.base.name }}: {{ following.baseSays(change) }}</span
    >
    <button
      type="button"
      class="shrink-0 font-medium text-spot-deep hover:underline"
      :disabled="!bench.mayEdit"
      :aria-label="`${label} follows ${following.base.name} again`"
      @click="following.follow([change])"
    >
      follow
    </button>
  </p>
</template>
