<script setup lang="ts">
import type { Field } from '#core/fields'

/** A box to tick. */
defineProps<{ field: Field; value: unknown }>()
const emit = defineEmits<{ set: [value: unknown] }>()
</script>

<template>
  <label class="flex items-center gap-2 font-medium">
    <input
      type="checkbox"
      class="accent-ink"
      :checked="value === true"
      @change="emit('set', ($event.target as HTMLInputElement).checked)"
    />
    {{ field.label }}
  </label>
</template>
