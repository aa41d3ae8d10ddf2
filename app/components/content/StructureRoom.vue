<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { useSession } from '~/stores/session'
import { useStructure } from '~/stores/structure'

/** A room in which what the site is built of is edited: fetched, undone by keys, and told how it is kept. */
const emit = defineEmits<{ ready: [] }>()

const structure = useStructure()
const session = useSession()
const failed = ref('')

async function open() {
  failed.value = ''
  try {
    await structure.open()
    emit('ready')
  } catch (error) {
    failed.value = (error as Error).message
  }
}
onMounted(open)
onBeforeUnmount(structure.close)
useEventListener('keydown', (event) => {
  if (!(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== 'z') return
  if (isTyped(event.target as Element)) return
  event.preventDefault()
  if (event.shiftKey) structure.redo()
  else structure.undo()
})
/** What is being typed is taken back by the field itself; a field that was not changed leaves it to the room. */
const isTyped = (at: Element): boolean => {
  const input = at.closest('input, textarea, [contenteditable=true]')
  return input instanceof HTMLInputElement ? input.value !== input.defaultValue : input !== null
}
const canUndo = computed(() => session.mayDesign && structure.history.undo.length > 0)
const canRedo = computed(() => session.mayDesign && structure.history.redo.length > 0)
</script>

<template>
  <div v-if="failed" class="grid h-full place-items-center text-center" role="alert">
    <div>
      <p class="mb-4 max-w-md">{{ failed }}</p>
      <button type="button" class="btn" @click="open">Try again</button>
    </div>
  </div>
  <p v-else-if="!structure.document" class="grid h-full place-items-center text-soft" role="status">
    Fetching what the site is built of…
  </p>
  <div v-else class="flex h-full flex-col">
    <div class="grid min-h-0 flex-1 grid-cols-[232px_minmax(0,1fr)_300px] max-lg:grid-cols-1 max-lg:overflow-y-auto">
      <slot />
    </div>
    <SavedBar
      :saving="structure.saving"
      :stopped="structure.stopped"
      :aside="structure.aside"
      :undoable="canUndo"
      :redoable="canRedo"
      @undo="structure.undo"
      @redo="structure.redo"
      @again="structure.tryAgain"
      @understood="structure.understood"
    />
  </div>
</template>
