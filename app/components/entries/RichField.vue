<script setup lang="ts">
import { EditorContent } from '@tiptap/vue-3'
import type { RichDoc } from '#core/site'

const props = defineProps<{ value: RichDoc | null; label: string }>()
const emit = defineEmits<{ set: [value: RichDoc] }>()

const doc = () => props.value ?? { type: 'doc' as const }
const { editor, takeOver } = useRichEditor({ doc, label: props.label, changed: (value) => emit('set', value) })
watch(
  () => props.value,
  () => takeOver(doc()),
)
</script>

<template>
  <div class="border bg-raised focus-within:border-ink">
    <RichTools class="border-b" :editor="editor" />
    <EditorContent :editor="editor" class="min-h-48" />
  </div>
</template>
