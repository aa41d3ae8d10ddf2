<script setup lang="ts">
import type { Value } from '#core/layouts'
import { useDesign } from '~/stores/design'

defineProps<{ value: Value; label: string }>()
defineEmits<{ set: [value: Value] }>()
const design = useDesign()
const cards = computed(() => design.layouts.filter((l) => l.layout.region === 'card').map((l) => l.layout))
</script>

<template>
  <select
    class="input"
    :value="value ?? ''"
    :aria-label="label"
    @change="$emit('set', ($event.target as HTMLSelectElement).value || null)"
  >
    <option value="">picture, title, summary</option>
    <option v-for="c in cards" :key="c.id" :value="c.id">{{ c.name }}</option>
  </select>
</template>
