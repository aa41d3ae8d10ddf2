<script setup lang="ts">
import type { Structure } from '#core/model'
import type { EntriesQuery } from '#shared/api/types'

/** What the table of entries is narrowed by: page type and state, term, person and days. */
const props = defineProps<{ query: EntriesQuery; built: Structure }>()
const emit = defineEmits<{ set: [change: Partial<Record<keyof EntriesQuery, string | undefined>>] }>()

const STATES = [
  [undefined, 'All'],
  ['published', 'Published'],
  ['unpublished', 'Not published'],
  ['waiting', 'Waiting for their time'],
  ['over', 'Over'],
  ['writing', 'I am writing in'],
  ['removed', 'Removed'],
] as const
const text = (event: Event) => (event.target as HTMLInputElement).value || undefined
const taxonomies = computed(() => {
  const { built, query } = props
  const own = built.types.find((t) => t.id === query.type)?.taxonomies
  return built.taxonomies
    .filter((t) => !own || own.includes(t.id))
    .map((t) => ({ ...t, terms: built.terms.filter((of) => of.taxonomy === t.id) }))
    .filter((t) => t.terms.length > 0)
})
const narrowed = computed(() => {
  const { term, person, picture, since, until } = props.query
  return Boolean(term ?? person ?? picture ?? since ?? until)
})
const CHOICE = 'flex w-full items-baseline justify-between gap-2 px-2 py-1.5 text-start'
</script>

<template>
  <nav class="overflow-y-auto border-r bg-board p-3 max-lg:border-b" aria-label="Which entries">
    <h2 class="made mb-1.5 text-base">Entries</h2>
    <ul class="space-y-px max-lg:flex max-lg:flex-wrap">
      <li v-for="t in [{ id: undefined, plural: 'Of every page type' }, ...built.types]" :key="t.id ?? ''">
        <button
          type="button"
          :class="[CHOICE, query.type === t.id ? 'cornered bg-wash' : 'bg-sheet hover:bg-raised']"
          :aria-current="query.type === t.id ? 'true' : undefined"
          @click="emit('set', { type: t.id, term: undefined })"
        >
          <span class="min-w-0 [overflow-wrap:anywhere]">{{ t.plural }}</span>
        </button>
      </li>
    </ul>
    <h2 class="made mb-1.5 mt-5 text-base">State</h2>
    <ul class="space-y-px max-lg:flex max-lg:flex-wrap">
      <li v-for="[state, label] in STATES" :key="label">
        <button
          type="button"
          :class="[CHOICE, query.state === state ? 'cornered bg-wash' : 'bg-sheet hover:bg-raised']"
          :aria-current="query.state === state ? 'true' : undefined"
          @click="emit('set', { state })"
        >
          {{ label }}
        </button>
      </li>
    </ul>
    <div class="mt-5 flex items-baseline justify-between">
      <h2 class="made mb-1.5 text-base">Only</h2>
      <button
        v-if="narrowed"
        type="button"
        class="text-xs text-soft underline"
        @click="
          emit('set', { term: undefined, person: undefined, picture: undefined, since: undefined, until: undefined })
        "
      >
        all again
      </button>
    </div>
    <p v-if="query.picture" class="mb-2 text-xs">those that show one picture</p>
    <div class="space-y-2">
      <select class="input" aria-label="Term" :value="query.term ?? ''" @change="emit('set', { term: text($event) })">
        <option value="">with any term</option>
        <optgroup v-for="t in taxonomies" :key="t.id" :label="t.plural">
          <option v-for="of in t.terms" :key="of.id" :value="of.id">{{ of.title || 'Untitled' }}</option>
        </optgroup>
      </select>
      <select
        class="input"
        aria-label="Person"
        :value="query.person ?? ''"
        @change="emit('set', { person: text($event) })"
      >
        <option value="">of anybody</option>
        <option v-for="p in built.people" :key="p.id" :value="p.id">{{ p.name }}</option>
      </select>
      <label class="block text-xs text-soft"
        >Dated from<input
          type="date"
          class="input mt-0.5 text-ink"
          :value="query.since ?? ''"
          @change="emit('set', { since: text($event) })"
      /></label>
      <label class="block text-xs text-soft"
        >until<input
          type="date"
          class="input mt-0.5 text-ink"
          :value="query.until ?? ''"
          @change="emit('set', { until: text($event) })"
      /></label>
    </div>
  </nav>
</template>
