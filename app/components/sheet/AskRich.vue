<script setup lang="ts">
import StarterKit from '@tiptap/starter-kit'
import { EditorContent, useEditor } from '@tiptap/vue-3'
import type { FieldValue, Value } from '#core/layouts'
import { type Page, type RichDoc, fieldLabel, isRichDoc, safeAddress } from '#core/site'
import { useSite } from '~/stores/site'

/** Running text with emphasis, lists, links and dynamic fields. */
const props = defineProps<{ value: Value; page: Page; label: string }>()
const emit = defineEmits<{ set: [value: Value] }>()

const site = useSite()
const linking = ref(false)
const address = ref('')
const refused = ref('')
const labelOf = (value: FieldValue) => (value ? (fieldLabel(site.catalogue!, value) ?? 'missing field') : '')
const doc = () => (isRichDoc(props.value) ? (props.value as RichDoc) : { type: 'doc' as const })

const editor = useEditor({
  content: doc(),
  extensions: [
    StarterKit.configure({
      code: false,
      codeBlock: false,
      strike: false,
      underline: false,
      heading: { levels: [2, 3, 4] },
      link: { openOnClick: false, isAllowedUri: (uri) => safeAddress(uri) !== null },
    }),
    fieldNode(labelOf),
  ],
  editorProps: {
    attributes: {
      class: 'rich-input min-h-20 px-2 py-1.5 outline-none',
      role: 'textbox',
      'aria-multiline': 'true',
      'aria-label': props.label,
    },
  },
  onUpdate: ({ editor: e }) => emit('set', e.getJSON() as RichDoc),
})
watch(
  () => props.value,
  (value) => {
    // What was typed here comes back as a value; only what was changed elsewhere (undo, another window) is taken over.
    if (editor.value && JSON.stringify(value) !== JSON.stringify(editor.value.getJSON()))
      editor.value.commands.setContent(doc(), { emitUpdate: false })
  },
)
const TOOLS = [
  { label: 'Bold', mark: 'B', active: 'bold', run: () => editor.value?.chain().focus().toggleBold().run() },
  { label: 'Italic', mark: 'I', active: 'italic', run: () => editor.value?.chain().focus().toggleItalic().run() },
  { label: 'List', mark: '•', active: 'bulletList', run: () => editor.value?.chain().focus().toggleBulletList().run() },
  {
    label: 'Numbered list',
    mark: '1.',
    active: 'orderedList',
    run: () => editor.value?.chain().focus().toggleOrderedList().run(),
  },
  {
    label: 'Heading',
    mark: 'H',
    active: 'heading',
    run: () => editor.value?.chain().focus().toggleHeading({ level: 2 }).run(),
  },
]
function insertField(value: FieldValue) {
  editor.value?.chain().focus().insertContent({ type: 'field', attrs: { value } }).run()
}
function beginLink() {
  address.value = String(editor.value?.getAttributes('link').href ?? '')
  refused.value = ''
  linking.value = true
}
function setLink() {
  const href = safeAddress(address.value)
  if (address.value.trim() && !href) {
    refused.value = 'A link begins with /, https://, mailto: or tel:'
    return
  }
  const chain = editor.value?.chain().focus().extendMarkRange('link')
  if (href) chain?.setLink({ href }).run()
  else chain?.unsetLink().run()
  linking.value = false
}
</script>

<template>
  <div class="border bg-raised focus-within:border-ink">
    <div class="flex items-center gap-0.5 border-b px-1 py-0.5">
      <button
        v-for="tool in TOOLS"
        :key="tool.label"
        type="button"
        class="h-6 min-w-6 px-1 hover:bg-board"
        :class="editor?.isActive(tool.active) && 'bg-board font-semibold'"
        :aria-label="tool.label"
        :title="tool.label"
        :aria-pressed="editor?.isActive(tool.active) ?? false"
        @click="tool.run"
      >
        {{ tool.mark }}
      </button>
      <button
        type="button"
        class="h-6 px-1 hover:bg-board"
        :class="editor?.isActive('link') && 'bg-board'"
        @click="beginLink"
      >
        link
      </button>
      <FieldPicker class="ml-auto" :page="page" :kinds="null" label="Put a field into the text" @pick="insertField" />
    </div>
    <form v-if="linking" class="border-b p-1" @submit.prevent="setLink">
      <div class="flex gap-1">
        <input
          v-model="address"
          class="input"
          aria-label="Address of the link"
          placeholder="https:// or /visit"
          autofocus
          @keydown.esc.stop="linking = false"
        />
        <button class="btn btn-small h-7!">Set</button>
      </div>
      <p v-if="refused" class="mt-1 bg-wash p-1 text-xs" role="alert">{{ refused }}</p>
    </form>
    <EditorContent :editor="editor" />
  </div>
</template>
