<script setup lang="ts">
import type { Field } from '#core/fields'

/** A day and a time, on the clocks of the site. */
defineProps<{ field: Field; value: unknown }>()
const emit = defineEmits<{ set: [value: unknown] }>()
const text = (event: Event) => (event.target as HTMLInputElement).value
const times = useTimes()
</script>

<template>
  <label class="block font-medium">
    {{ field.label }}
    <input
      class="input mt-1 font-normal"
      type="datetime-local"
      :value="times.input(value)"
      @change="emit('set', text($event) || null)"
    />
  </label>
</template>
