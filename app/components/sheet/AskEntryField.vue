<script setup lang="ts">
import { type EntryFieldUse, entryFields, fieldLabel } from '#core/catalogue'
import { useSite } from '~/stores/site'

/** Which field of the entries that are listed; one that another page type has still shows where it is chosen already. */
const props = defineProps<{ value: string | null; label: string; use: EntryFieldUse }>()
defineEmits<{ set: [value: string | null] }>()

const site = useSite()
const listed = inject(LISTED_TYPES, null)
const fields = computed(() => entryFields(site.catalogue!, props.use, listed?.value))
const groups = computed(() => [...new Set(fields.value.map((f) => f.group))])
const isElsewhere = computed(() => props.value !== null && !fields.value.some((f) => f.field === props.value))
const elsewhere = computed(
  () => fieldLabel(site.catalogue!, { of: 'page', field: props.value! }) ?? 'a field that no longer exists',
)
</script>

<template>
  <select
    class="input"
    :value="value ?? ''"
    :aria-label="label"
    @change="$emit('set', ($event.target as HTMLSelectElement).value || null)"
  >
    <option value="">no field chosen</option>
    <option v-if="isElsewhere" :value="value!">{{ elsewhere }}</option>
    <optgroup v-for="group in groups" :key="group" :label="group">
      <option v-for="f in fields.filter((one) => one.group === group)" :key="f.field" :value="f.field">
        {{ f.label }}
      </option>
    </optgroup>
  </select>
</template>
