<script setup lang="ts">
import { Popover, PopoverButton, PopoverPanel } from '@headlessui/vue'

/** Which columns a table shows. */
const props = defineProps<{ columns: readonly { id: string; label: string }[]; shown: readonly string[] }>()
const emit = defineEmits<{ set: [shown: string[]] }>()
function toggle(id: string, on: boolean) {
  const { columns, shown } = props
  emit(
    'set',
    columns.map((c) => c.id).filter((c) => (c === id ? on : shown.includes(c))),
  )
}
</script>

<template>
  <Popover class="relative">
    <PopoverButton class="btn">Columns</PopoverButton>
    <PopoverPanel class="absolute right-0 top-full z-20 mt-1 w-44 border border-ink bg-sheet p-3">
      <label v-for="c in columns" :key="c.id" class="flex items-center gap-2 py-0.5"
        ><input
          type="checkbox"
          class="accent-ink"
          :checked="shown.includes(c.id)"
          @change="toggle(c.id, ($event.target as HTMLInputElement).checked)"
        />{{ c.label }}</label
      >
    </PopoverPanel>
  </Popover>
</template>
