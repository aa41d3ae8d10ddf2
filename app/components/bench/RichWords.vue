<script setup lang="ts">
import { Editor } from '@tiptap/vue-3'
import type { Page } from '#core/model'
import { type RichDoc, isRichDoc } from '#core/rich'
import type { FieldValue, Value } from '#core/tree'
import type { Written } from '~/composables/useWordsOnPage'
import { useNotices } from '~/stores/notices'

/** Running text, written on the page where it is drawn, with its tools below the page. */
const props = defineProps<{ written: Written; page: Page }>()
const emit = defineEmits<{ set: [value: RichDoc]; leave: [] }>()

const notices = useNotices()
const { element, spec, value } = props.written
const editor = shallowRef<Editor>()
const bar = ref<HTMLElement>()
/** The field that is in hand inside the text. */
const chip = shallowRef<FieldValue | null>(null)
const words = useFieldWords(() => props.page)

function insertField(field: FieldValue) {
  editor.value
    ?.chain()
    .focus()
    .insertContent({ type: 'field', attrs: { value: field } })
    .run()
}
function setChip(next: Value | undefined) {
  if (next) editor.value?.commands.updateAttributes('field', { value: next })
  else editor.value?.commands.deleteSelection()
}
function lookAtSelection(current: Editor) {
  const { selection } = current.state
  const node = 'node' in selection ? (selection.node as { type: { name: string }; attrs: { value: FieldValue } }) : null
  chip.value = node?.type.name === 'field' ? node.attrs.value : null
}
function onKey(event: KeyboardEvent) {
  event.stopPropagation()
  if (event.key === 'Escape' && !event.isComposing) {
    event.preventDefault()
    emit('leave')
  }
}
/** The hand is still in the text while it uses its tools. */
function onBlur() {
  setTimeout(() => {
    const inPage = element.ownerDocument.activeElement === element && document.activeElement?.localName === 'iframe'
    if (!inPage && !bar.value?.contains(document.activeElement)) emit('leave')
  }, 0)
}

onMounted(() => {
  element.replaceChildren()
  element.setAttribute('data-written', '')
  const options = richEditorOptions({
    doc: () => (isRichDoc(value) ? value : { type: 'doc' }),
    label: spec.label,
    extensions: [fieldNode(words)],
    changed: (doc) => emit('set', doc),
    tooMuch: (count) => notices.fail(new Error(tooMuchWords(count))),
  })
  editor.value = markRaw(
    new Editor({
      ...options,
      element: { mount: element },
      injectCSS: false,
      onTransaction: ({ editor: e }) => lookAtSelection(e as Editor),
    }),
  )
  element.addEventListener('keydown', onKey)
  element.addEventListener('focusout', onBlur)
  // At once, not at the next frame: a letter typed before that would be a key of the plan.
  editor.value.commands.setTextSelection(editor.value.state.doc.content.size)
  editor.value.view.focus()
})
onBeforeUnmount(() => {
  element.removeEventListener('keydown', onKey)
  element.removeEventListener('focusout', onBlur)
  editor.value?.destroy()
  element.removeAttribute('data-written')
})
</script>

<template>
  <div ref="bar" class="border-t bg-sheet" data-testid="words" @keydown.esc="$emit('leave')" @focusout="onBlur">
    <div v-if="chip" class="max-w-md px-3 py-2">
      <AskField :value="chip" :page="page" :kinds="null" :fixed="true" @set="setChip" />
    </div>
    <RichTools :editor="editor">
      <FieldPicker :page="page" :kinds="null" label="Put a field into the text" words="field" @pick="insertField" />
      <span class="ml-auto pr-2.5 text-xs text-soft"><span class="kbd">Esc</span> leaves the text</span>
    </RichTools>
  </div>
</template>
