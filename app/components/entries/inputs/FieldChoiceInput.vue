<script setup lang="ts">
import type { Field } from '#core/fields'

/** One of the choices of a field. */
defineProps<{ field: Field; value: unknown }>()
const emit = defineEmits<{ set: [value: unknown] }>()
const text = (event: Event) => (event.target as HTMLInputElement).value
</script>

<template>
  <label class="block font-medium">
    {{ field.label }}
    <select class="input mt-1 font-normal" :value="value ?? ''" @change="emit('set', text($event) || null)">
      <option value="">none</option>
      <option v-for="c in field.choices" :key="c.id" :value="c.id">{{ c.label }}</option>
    </select>
  </label>
</template>
