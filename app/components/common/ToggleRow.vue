<script setup lang="ts" generic="T extends string">
/** A few ways to see the same, one of which is in force. */
defineProps<{ label: string; options: readonly { value: T; label: string }[]; value: T }>()
defineEmits<{ pick: [value: T] }>()
</script>

<template>
  <div class="flex" role="group" :aria-label="label">
    <button
      v-for="o in options"
      :key="o.value"
      type="button"
      class="btn btn-small -ml-px first:ml-0"
      :class="value === o.value && 'border-ink! bg-ink text-sheet'"
      :aria-pressed="value === o.value"
      @click="$emit('pick', o.value)"
    >
      {{ o.label }}
    </button>
  </div>
</template>
