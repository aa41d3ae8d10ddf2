<script setup lang="ts">
import type { Field, Position } from '#core/fields'

/** Where something stands on the plan of the site. */
defineProps<{ field: Field; value: unknown }>()
const emit = defineEmits<{ set: [value: unknown] }>()
</script>

<template>
  <fieldset>
    <legend class="mb-1 font-medium">{{ field.label }}</legend>
    <PositionField :value="(value as Position | null) ?? null" @set="emit('set', $event)" />
  </fieldset>
</template>
