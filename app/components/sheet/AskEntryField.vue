<script setup lang="ts">
import { type EntryFieldUse, entryFields } from '#core/site'
import { useSite } from '~/stores/site'

/** Which field of the entries that are listed. */
const props = defineProps<{ value: string | null; label: string; use: EntryFieldUse }>()
defineEmits<{ set: [value: string | null] }>()

const site = useSite()
const fields = computed(() => entryFields(site.catalogue!, props.use))
const groups = computed(() => [...new Set(fields.value.map((f) => f.group))])
const isGone = computed(() => props.value && !fields.value.some((f) => f.field === props.value))
</script>

<template>
  <select
    class="input"
    :value="value ?? ''"
    :aria-label="label"
    @change="$emit('set', ($event.target as HTMLSelectElement).value || null)"
  >
    <option value="">no field chosen</option>
    <option v-if="isGone" :value="value!">a field that no longer exists</option>
    <optgroup v-for="group in groups" :key="group" :label="group">
      <option v-for="f in fields.filter((one) => one.group === group)" :key="f.field" :value="f.field">
        {{ f.label }}
      </option>
    </optgroup>
  </select>
</template>
