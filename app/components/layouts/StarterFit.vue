<script setup lang="ts">
import type { Match } from '#core/starters'
import type { Id } from '#core/model'

/** What a starter wants of this site, and what was found for it: each can be chosen anew, or left out. */
const matches = defineModel<readonly Match[]>({ required: true })

function choose(at: number, id: Id | null) {
  matches.value = matches.value.map((m, i) => (i === at ? { ...m, id } : m))
}
</script>

<template>
  <section v-if="matches.length" class="border-t pt-3" aria-label="What it takes from this site">
    <h3 class="font-semibold">What it takes from this site</h3>
    <p class="mb-2 text-xs text-soft">Found by kind and name. Choose otherwise where it is not what is meant.</p>
    <label
      v-for="(match, i) in matches"
      :key="match.want.id"
      class="grid grid-cols-[1fr_1.3fr] items-center gap-2 py-0.5"
    >
      <span :class="match.id === null && match.offers.length ? 'font-semibold' : 'text-soft'">{{
        match.want.label
      }}</span>
      <select
        class="input"
        :aria-label="match.want.label"
        :value="match.id ?? ''"
        @change="choose(i, ($event.target as HTMLSelectElement).value || null)"
      >
        <option value="">{{ match.offers.length ? 'left out' : 'there is none here' }}</option>
        <option v-for="offer in match.offers" :key="offer.id" :value="offer.id">{{ offer.label }}</option>
      </select>
    </label>
  </section>
</template>
