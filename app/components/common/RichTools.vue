<script setup lang="ts">
import type { Editor } from '@tiptap/vue-3'
import { safeAddress } from '#core/site'

/** The tools over running text. */
const props = defineProps<{ editor: Editor | undefined }>()

const linking = ref(false)
const address = ref('')
const refused = ref('')
const chain = () => props.editor?.chain().focus()
const TOOLS = [
  { label: 'Bold', mark: 'B', active: 'bold', run: () => chain()?.toggleBold().run() },
  { label: 'Italic', mark: 'I', active: 'italic', run: () => chain()?.toggleItalic().run() },
  { label: 'List', mark: '•', active: 'bulletList', run: () => chain()?.toggleBulletList().run() },
  { label: 'Numbered list', mark: '1.', active: 'orderedList', run: () => chain()?.toggleOrderedList().run() },
  { label: 'Heading', mark: 'H', active: 'heading', run: () => chain()?.toggleHeading({ level: 2 }).run() },
]
function beginLink() {
  address.value = String(props.editor?.getAttributes('link').href ?? '')
  refused.value = ''
  linking.value = true
}
function setLink() {
  const href = safeAddress(address.value)
  if (address.value.trim() && !href) {
    refused.value = 'A link begins with /, https://, mailto: or tel:'
    return
  }
  const range = chain()?.extendMarkRange('link')
  if (href) range?.setLink({ href }).run()
  else range?.unsetLink().run()
  linking.value = false
}
</script>

<template>
  <div class="border-b">
    <div class="flex items-center gap-0.5 px-1 py-0.5">
      <button
        v-for="tool in TOOLS"
        :key="tool.label"
        type="button"
        class="h-6 min-w-6 px-1 hover:bg-board"
        :class="editor?.isActive(tool.active) && 'bg-ink! text-sheet'"
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
        :class="editor?.isActive('link') && 'bg-ink! text-sheet'"
        @click="beginLink"
      >
        link
      </button>
      <slot />
    </div>
    <div v-if="linking" class="border-t p-1">
      <div class="flex gap-1">
        <input
          v-model="address"
          class="input"
          aria-label="Address of the link"
          placeholder="https:// or /visit"
          autofocus
          @keydown.esc.stop="linking = false"
          @keydown.enter.prevent="setLink"
        />
        <button type="button" class="btn btn-small h-7!" @click="setLink">Set</button>
      </div>
      <p v-if="refused" class="mt-1 bg-wash p-1 text-xs" role="alert">{{ refused }}</p>
    </div>
  </div>
</template>
