<script setup lang="ts">
import { EditorContent } from '@tiptap/vue-3'
import type { RichDoc } from '#core/rich'
import { isEmpty } from '#core/fields'
import { useNotices } from '~/stores/notices'
import { useSite } from '~/stores/site'

/** Running text of an entry, with pictures, tables and films; `paper` writes as large as it is read. */
const props = defineProps<{ value: RichDoc | null; label: string; paper?: boolean }>()
const emit = defineEmits<{ set: [value: RichDoc | null] }>()

const site = useSite()
const notices = useNotices()

const doc = () => props.value ?? { type: 'doc' as const }
const { editor, takeOver } = useRichEditor({
  doc,
  label: props.label,
  changed: (value) => emit('set', isEmpty(value) ? null : value),
  extensions: richBlocks(() => site.catalogue!),
  tooMuch: (count) => notices.fail(new Error(tooMuchWords(count))),
})
watch(
  () => props.value,
  () => takeOver(doc()),
)
</script>

<template>
  <div class="border bg-raised focus-within:border-ink" :class="paper && 'border-x-0 border-b-0 bg-transparent!'">
    <RichTools class="border-b" :class="paper && 'sticky top-0 z-10 bg-sheet'" :editor="editor">
      <RichBlocks :editor="editor" />
    </RichTools>
    <EditorContent :editor="editor" :class="paper ? 'rich-paper min-h-80' : 'min-h-24'" />
  </div>
</template>
