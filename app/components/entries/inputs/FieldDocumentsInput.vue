<script setup lang="ts">
import type { Field, SiteDocument } from '#core/fields'

/** Files by name and address. */
const props = defineProps<{ field: Field; value: unknown }>()
const emit = defineEmits<{ set: [value: unknown] }>()
const text = (event: Event) => (event.target as HTMLInputElement).value
const documents = computed(() => (Array.isArray(props.value) ? (props.value as SiteDocument[]) : []))
const setDocument = (at: number, change: Partial<SiteDocument>) =>
  emit(
    'set',
    documents.value.map((d, i) => (i === at ? { ...d, ...change } : d)),
  )
</script>

<template>
  <ListField :label="field.label" :items="documents" :most="50" @set="emit('set', $event)">
    <template #default="{ item, at }">
      <span class="grid grid-cols-2 gap-1">
        <input
          class="input"
          :value="item.name"
          :aria-label="`Name of document ${at + 1}`"
          placeholder="Name"
          maxlength="200"
          @change="setDocument(at, { name: text($event) })"
        />
        <input
          class="input font-mono text-xs"
          :value="item.address"
          :aria-label="`Address of document ${at + 1}`"
          placeholder="/files/… or https://…"
          maxlength="2000"
          @change="setDocument(at, { address: text($event), size: undefined, pages: undefined })"
        />
      </span>
    </template>
    <template #more>
      <button
        type="button"
        class="h-6 px-1 hover:bg-board"
        @click="emit('set', [...documents, { name: '', address: '' }])"
      >
        add an address
      </button>
      <BringDocument @brought="emit('set', [...documents, $event])" />
    </template>
  </ListField>
</template>
