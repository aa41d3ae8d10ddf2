<script setup lang="ts">
import type { Field } from '#core/fields'

/** A day. */
defineProps<{ field: Field; value: unknown }>()
const emit = defineEmits<{ set: [value: unknown] }>()
const text = (event: Event) => (event.target as HTMLInputElement).value
</script>

<template>
  <label class="block font-medium">
    {{ field.label }}
    <input
      class="input mt-1 font-normal"
      type="date"
      :value="value ?? ''"
      @change="emit('set', text($event) || null)"
    />
  </label>
</template>
