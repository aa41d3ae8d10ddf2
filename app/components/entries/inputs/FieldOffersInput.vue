<script setup lang="ts">
import type { Field, Offer } from '#core/fields'

/** Sorts in which something is sold. */
defineProps<{ field: Field; value: unknown }>()
const emit = defineEmits<{ set: [value: unknown] }>()
</script>

<template>
  <AskOffers :label="field.label" :offers="Array.isArray(value) ? (value as Offer[]) : []" @set="emit('set', $event)" />
</template>
