<script setup lang="ts">
import type { Field } from '#core/fields'
import { isRichDoc } from '#core/rich'

/** Running text. */
defineProps<{ field: Field; value: unknown }>()
const emit = defineEmits<{ set: [value: unknown] }>()
</script>

<template>
  <div>
    <p class="mb-1 font-medium">{{ field.label }}</p>
    <RichField :value="isRichDoc(value) ? value : null" :label="field.label" @set="emit('set', $event)" />
  </div>
</template>
