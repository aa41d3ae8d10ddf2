<script setup lang="ts">
import type { Field } from '#core/fields'

/** An address, typed in full or as a path of the site. */
defineProps<{ field: Field; value: unknown }>()
const emit = defineEmits<{ set: [value: unknown] }>()
const text = (event: Event) => (event.target as HTMLInputElement).value
</script>

<template>
  <div class="font-medium">
    {{ field.label }}
    <div class="mt-1 font-normal">
      <input
        class="input font-mono text-xs"
        :aria-label="field.label"
        placeholder="https://… or /a/page"
        maxlength="2000"
        :value="value ?? ''"
        @input="emit('set', text($event).trim() || null)"
      />
    </div>
  </div>
</template>
