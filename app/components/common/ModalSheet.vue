<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'

defineProps<{ title: string; wide?: boolean; full?: boolean }>()
defineEmits<{ close: [] }>()
</script>

<template>
  <Dialog :open="true" class="relative z-40 text-ink" @close="$emit('close')">
    <div class="fixed inset-0 bg-ink/50" aria-hidden="true" />
    <div class="fixed inset-0 flex items-center justify-center p-4">
      <DialogPanel
        class="flex max-h-full min-h-0 w-full flex-col border border-ink bg-sheet"
        :class="full ? 'h-full max-w-[1500px]' : wide ? 'max-w-4xl' : 'max-w-lg'"
      >
        <DialogTitle class="made shrink-0 border-b px-5 py-3.5 text-lg">{{ title }}</DialogTitle>
        <div class="min-h-0 flex-1 overflow-y-auto px-5 py-4"><slot /></div>
        <div class="flex shrink-0 justify-end gap-2 border-t px-5 py-3"><slot name="actions" /></div>
      </DialogPanel>
    </div>
  </Dialog>
</template>
