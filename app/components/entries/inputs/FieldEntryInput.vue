<script setup lang="ts">
import type { Field } from '#core/fields'

/** One entry of the site. */
defineProps<{ field: Field; value: unknown }>()
const emit = defineEmits<{ set: [value: unknown] }>()
</script>

<template>
  <div class="font-medium">
    {{ field.label }}
    <div class="mt-1 font-normal">
      <AskEntry
        :value="(value as string | null) ?? null"
        :label="field.label"
        :of="field.of"
        none="none"
        @set="emit('set', $event)"
      />
    </div>
  </div>
</template>
