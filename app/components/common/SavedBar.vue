<script setup lang="ts" generic="E">
import { counted } from '#core/text'
import type { Unkept } from '#core/edits'
import type { SaveState } from '~/composables/useDocumentEdits'

/** How a document that is kept at once stands: undone and redone here, saved or waiting, and what could not be kept. */
defineProps<{
  saving: SaveState
  stopped: string
  aside: readonly Unkept<E>[]
  undoable: boolean
  redoable: boolean
}>()
defineEmits<{ undo: []; redo: []; again: []; understood: [] }>()
const SAVE: Record<SaveState, string> = {
  saved: 'Saved',
  saving: 'Saving…',
  waiting: 'Waiting for the server; your work is kept here',
  stopped: 'Not saved; your work is kept here',
}
</script>

<template>
  <footer class="shrink-0 border-t bg-sheet px-6">
    <p v-if="saving === 'stopped'" class="flex gap-4 py-1.5" role="alert">
      <span class="min-w-0 flex-1">{{ stopped }}</span>
      <button type="button" class="underline" @click="$emit('again')">Try again</button>
    </p>
    <p v-if="aside.length" class="flex gap-4 py-1.5" role="alert">
      <span class="min-w-0 flex-1"
        >{{ counted(aside.length, 'edit') }} could not be kept: {{ aside[0]!.problem.sentence }}</span
      >
      <button type="button" class="underline" @click="$emit('understood')">Understood</button>
    </p>
    <div class="flex h-9 items-center gap-2 text-xs">
      <button type="button" class="btn btn-small" :disabled="!undoable" @click="$emit('undo')">Undo</button>
      <button type="button" class="btn btn-small" :disabled="!redoable" @click="$emit('redo')">Redo</button>
      <span
        class="ml-auto"
        role="status"
        :class="saving === 'waiting' || saving === 'stopped' ? 'font-semibold' : 'text-soft'"
        >{{ SAVE[saving] }}</span
      >
    </div>
  </footer>
</template>
