<script setup lang="ts">
import { EditorContent } from '@tiptap/vue-3'
import type { FieldValue, Value } from '#core/tree'
import type { Page } from '#core/model'
import { type RichDoc, isRichDoc } from '#core/rich'
import { useNotices } from '~/stores/notices'

/** Running text with emphasis, lists, links and dynamic fields. */
const props = defineProps<{ value: Value; page: Page; label: string }>()
const emit = defineEmits<{ set: [value: Value] }>()

const notices = useNotices()
const doc = (): RichDoc => (isRichDoc(props.value) ? props.value : { type: 'doc' })
const { editor, takeOver } = useRichEditor({
  doc,
  label: props.label,
  extensions: [fieldNode(useFieldWords(() => props.page))],
  changed: (value) => emit('set', value),
  tooMuch: (count) => notices.fail(new Error(tooMuchWords(count))),
})
watch(
  () => props.value,
  () => takeOver(doc()),
)

function insertField(value: FieldValue) {
  editor.value?.chain().focus().insertContent({ type: 'field', attrs: { value } }).run()
}
</script>

<template>
  <div class="border bg-raised focus-within:border-ink">
    <RichTools class="border-b" :editor="editor">
      <FieldPicker class="ml-auto" :page="page" :kinds="null" label="Put a field into the text" @pick="insertField" />
    </RichTools>
    <EditorContent :editor="editor" />
  </div>
</template>
