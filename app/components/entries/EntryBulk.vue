<script setup lang="ts">
import type { Structure } from '#core/model'
import { counted } from '#core/text'
import type { BulkInput } from '#shared/api/types'

/** What can be done to the entries that are chosen. */
defineProps<{ count: number; total: number; built: Structure; removed: boolean; busy: boolean }>()
const emit = defineEmits<{ does: [does: BulkInput['does']]; all: []; none: [] }>()
const term = ref('')
const person = ref('')
function terms(kind: 'add-term' | 'take-term') {
  if (term.value) emit('does', { kind, term: term.value })
}
function give() {
  if (person.value) emit('does', { kind: 'person', person: person.value === '-' ? null : person.value })
}
</script>

<template>
  <div
    class="flex flex-wrap items-center gap-x-3 gap-y-2 border border-ink bg-sheet px-3 py-2"
    role="group"
    aria-label="With those chosen"
  >
    <strong class="font-semibold">{{ counted(count, 'entry', 'entries') }} chosen</strong>
    <button v-if="count < total" type="button" class="text-soft underline" @click="emit('all')">
      all {{ Math.min(total, 5000).toLocaleString('en') }}
    </button>
    <button type="button" class="text-soft underline" @click="emit('none')">none</button>
    <span class="flex-1" />
    <button
      v-if="removed"
      type="button"
      class="btn btn-small"
      :disabled="busy"
      @click="emit('does', { kind: 'put-back' })"
    >
      Put back
    </button>
    <template v-else>
      <button type="button" class="btn btn-small" :disabled="busy" @click="emit('does', { kind: 'publish' })">
        Publish
      </button>
      <button type="button" class="btn btn-small" :disabled="busy" @click="emit('does', { kind: 'unpublish' })">
        Unpublish
      </button>
      <span v-if="built.terms.length" class="flex items-center gap-1">
        <select v-model="term" class="input h-7! max-w-36" aria-label="A term">
          <option value="">a term…</option>
          <optgroup v-for="t in built.taxonomies" :key="t.id" :label="t.plural">
            <option v-for="of in built.terms.filter((o) => o.taxonomy === t.id)" :key="of.id" :value="of.id">
              {{ of.title || 'Untitled' }}
            </option>
          </optgroup>
        </select>
        <button type="button" class="btn btn-small" :disabled="busy || !term" @click="terms('add-term')">Add</button>
        <button type="button" class="btn btn-small" :disabled="busy || !term" @click="terms('take-term')">Take</button>
      </span>
      <span v-if="built.people.length" class="flex items-center gap-1">
        <select v-model="person" class="input h-7! max-w-36" aria-label="A person">
          <option value="">a person…</option>
          <option value="-">nobody</option>
          <option v-for="p in built.people" :key="p.id" :value="p.id">{{ p.name }}</option>
        </select>
        <button type="button" class="btn btn-small" :disabled="busy || !person" @click="give">Give</button>
      </span>
      <button type="button" class="btn btn-small" :disabled="busy" @click="emit('does', { kind: 'remove' })">
        Remove
      </button>
    </template>
  </div>
</template>
