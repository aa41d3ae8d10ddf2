<script setup lang="ts">
/** One of the ways in which a layout can begin, as a small picture that is pressed. */
defineProps<{ name: string; about: string; chosen: boolean; draw?: () => string; ratio?: number; at?: number }>()
defineEmits<{ pick: [] }>()
</script>

<template>
  <button
    type="button"
    class="flex flex-col border bg-raised p-1 text-start hover:border-ink"
    :class="chosen ? 'cornered border-ink' : 'border-rule'"
    :aria-pressed="chosen"
    @click="$emit('pick')"
  >
    <span class="block w-full border-b">
      <PagePicture v-if="draw" :draw="draw" :title="`${name}, small`" :ratio="ratio" :at="at" />
      <span v-else class="grid h-16 place-items-center text-soft">nothing in it</span>
    </span>
    <span class="block px-2.5 py-1.5">
      <span class="made block text-base leading-snug">{{ name }}</span>
      <span class="block text-2xs leading-snug text-soft">{{ about }}</span>
    </span>
  </button>
</template>
