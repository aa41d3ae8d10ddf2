import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { type Edit, LAYOUT_EDITING, describeEdit } from '#core/layouts'
import { type Layout, type Step, find } from '#core/tree'
import type { Id } from '#core/site'
import type { LayoutAnswer } from '#shared/api/types'
import { useDesign } from './design'

/** The layout on the bench, and what of it is in hand. */
export const useBench = defineStore('bench', () => {
  const design = useDesign()
  const selected = ref<Id | null>(null)
  const step = ref<Step>('wide')

  const edits = useDocumentEdits<Layout, Edit>({
    editing: LAYOUT_EDITING,
    noun: 'layout',
    changed(layout, revision) {
      if (selected.value && selected.value !== layout.id && !find(layout, selected.value)) selected.value = null
      design.noteLayout({ layout, revision })
    },
    saved: () => void design.loadReleases().catch(() => {}),
  })
  const { document: layout, history, saving, stopped, aside, apply, undo, redo, tryAgain, understood } = edits

  const label = (edit: Edit | undefined) => (edit && layout.value ? describeEdit(edit, layout.value) : null)
  const undoable = computed(() => label(history.value.undo.at(-1)?.label))
  const redoable = computed(() => label(history.value.redo.at(-1)?.label))

  async function open(id: Id): Promise<void> {
    await edits.begin(`unsent.${id}`, `/layouts/${id}/edits`, async () => {
      const { layout: document, revision, log } = await useApi<LayoutAnswer>('GET', `/layouts/${id}`)
      selected.value = null
      return { document, revision, log }
    })
  }

  function close(): void {
    edits.close()
    selected.value = null
  }

  return {
    layout,
    selected,
    step,
    saving,
    stopped,
    aside,
    undoable,
    redoable,
    open,
    close,
    apply,
    undo,
    redo,
    tryAgain,
    understood,
  }
})
