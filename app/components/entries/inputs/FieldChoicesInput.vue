<script setup lang="ts">
import type { Field } from '#core/fields'

/** Any of the choices of a field. */
const props = defineProps<{ field: Field; value: unknown }>()
const emit = defineEmits<{ set: [value: unknown] }>()
const chosen = computed(() => (Array.isArray(props.value) ? (props.value as string[]) : []))
function toggle(choice: string, on: boolean) {
  emit('set', on ? [...chosen.value, choice] : chosen.value.filter((x) => x !== choice))
}
</script>

<template>
  <fieldset>
    <legend class="mb-1 font-medium">{{ field.label }}</legend>
    <label v-for="c in field.choices" :key="c.id" class="mr-3 inline-flex items-center gap-1">
      <input
        type="checkbox"
        class="accent-ink"
        :checked="chosen.includes(c.id)"
        @change="toggle(c.id, ($event.target as HTMLInputElement).checked)"
      />
      {{ c.label }}
    </label>
  </fieldset>
</template>
