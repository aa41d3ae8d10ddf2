<script setup lang="ts">
import type { Field } from '#core/fields'
import { useSite } from '~/stores/site'

/** One of the people of the site. */
defineProps<{ field: Field; value: unknown }>()
const emit = defineEmits<{ set: [value: unknown] }>()
const text = (event: Event) => (event.target as HTMLInputElement).value
const site = useSite()
</script>

<template>
  <label class="block font-medium">
    {{ field.label }}
    <select class="input mt-1 font-normal" :value="value ?? ''" @change="emit('set', text($event) || null)">
      <option value="">nobody</option>
      <option v-for="p in site.site!.people" :key="p.id" :value="p.id">{{ p.name }}</option>
    </select>
  </label>
</template>
