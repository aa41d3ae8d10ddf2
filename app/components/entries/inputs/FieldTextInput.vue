<script setup lang="ts">
import type { Field } from '#core/fields'

/** A line of text. */
defineProps<{ field: Field; value: unknown }>()
const emit = defineEmits<{ set: [value: unknown] }>()
const text = (event: Event) => (event.target as HTMLInputElement).value
</script>

<template>
  <label class="block font-medium">
    {{ field.label }}
    <input
      class="input mt-1 font-normal"
      maxlength="2000"
      :value="value ?? ''"
      @input="emit('set', text($event) || null)"
    />
  </label>
</template>
