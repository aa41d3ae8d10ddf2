<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { useSession } from '~/stores/session'
import type { EditedStore } from '~/composables/useDocumentEdits'

/** A room in which a document is edited that is kept at once: fetched, undone by keys, and told how it is kept. */
const { store, columns = 'grid-cols-[232px_minmax(0,1fr)_300px]' } = defineProps<{
  store: EditedStore
  what: string
  /** The columns of the room, where they are other than a list, what is in hand, and its properties. */
  columns?: string
}>()
const emit = defineEmits<{ ready: [] }>()

const session = useSession()
const failed = ref('')

async function open() {
  failed.value = ''
  try {
    await store.open()
    emit('ready')
  } catch (error) {
    failed.value = (error as Error).message
  }
}
onMounted(open)
onBeforeUnmount(store.close)
useEventListener('keydown', (event) => {
  if (!(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== 'z') return
  if (isTyped(event.target as Element)) return
  event.preventDefault()
  if (event.shiftKey) store.redo()
  else store.undo()
})
/** What is being typed is taken back by the field itself; a field that was not changed leaves it to the room. */
const isTyped = (at: Element): boolean => {
  const input = at.closest('input, textarea, [contenteditable=true]')
  return input instanceof HTMLInputElement ? input.value !== input.defaultValue : input !== null
}
const canUndo = computed(() => session.mayDesign && store.history.undo.length > 0)
const canRedo = computed(() => session.mayDesign && store.history.redo.length > 0)
</script>

<template>
  <RoomState :failed="failed" :ready="store.document !== null" :what="what" @again="open">
    <div v-if="store.document" class="flex h-full flex-col">
      <div class="grid min-h-0 flex-1 max-lg:grid-cols-1! max-lg:overflow-y-auto" :class="columns">
        <slot />
      </div>
      <SavedBar
        :saving="store.saving"
        :stopped="store.stopped"
        :aside="store.aside"
        :undoable="canUndo"
        :redoable="canRedo"
        @undo="store.undo"
        @redo="store.redo"
        @again="store.tryAgain"
        @understood="store.understood"
      />
    </div>
  </RoomState>
</template>
