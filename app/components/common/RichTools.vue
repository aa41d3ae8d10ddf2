<script setup lang="ts">
import type { Editor } from '@tiptap/vue-3'
import type { Value } from '#core/tree'
import { useSite } from '~/stores/site'

/** The tools over running text. */
const props = defineProps<{ editor: Editor | undefined }>()

const site = useSite()
const linking = ref(false)
const chain = () => props.editor?.chain().focus()
const TOOLS = [
  { label: 'Bold', mark: 'B', active: 'bold', run: () => chain()?.toggleBold().run() },
  { label: 'Italic', mark: 'I', active: 'italic', run: () => chain()?.toggleItalic().run() },
  { label: 'List', mark: '•', active: 'bulletList', run: () => chain()?.toggleBulletList().run() },
  { label: 'Numbered list', mark: '1.', active: 'orderedList', run: () => chain()?.toggleOrderedList().run() },
  { label: 'Quotation', mark: '“', active: 'blockquote', run: () => chain()?.toggleBlockquote().run() },
]
const LEVELS = [2, 3, 4] as const
const level = computed(() => LEVELS.find((l) => props.editor?.isActive('heading', { level: l })) ?? 0)
const link = computed<Value>(() => {
  const { page, href } = props.editor?.getAttributes('link') ?? {}
  return page ? { page: String(page) } : ((href as string | undefined) ?? null)
})

function setLevel(to: number) {
  const found = LEVELS.find((l) => l === to)
  if (found) chain()?.setHeading({ level: found }).run()
  else chain()?.setParagraph().run()
}
function setLink(value: Value) {
  linking.value = false
  const range = chain()?.extendMarkRange('link')
  if (typeof value === 'string') range?.setLink({ href: value, page: null } as never).run()
  else if (value && typeof value === 'object' && 'page' in value) {
    const href = site.catalogue!.page(value.page)?.address ?? ''
    range?.setLink({ href, page: value.page } as never).run()
  } else range?.unsetLink().run()
}
</script>

<template>
  <div>
    <div class="flex flex-wrap items-center gap-x-0.5 px-1 py-0.5">
      <select
        class="h-6 border border-transparent bg-transparent text-xs hover:border-rule"
        aria-label="Level"
        :value="level"
        @change="setLevel(Number(($event.target as HTMLSelectElement).value))"
      >
        <option :value="0">Text</option>
        <option v-for="l in LEVELS" :key="l" :value="l">Heading {{ l }}</option>
      </select>
      <button
        v-for="tool in TOOLS"
        :key="tool.label"
        type="button"
        class="h-6 min-w-6 px-1 hover:bg-board"
        :class="editor?.isActive(tool.active) && 'bg-ink! text-sheet'"
        :aria-label="tool.label"
        :title="tool.label"
        :aria-pressed="editor?.isActive(tool.active) ?? false"
        @mousedown.prevent
        @click="tool.run"
      >
        {{ tool.mark }}
      </button>
      <button
        type="button"
        class="h-6 px-1 hover:bg-board"
        :class="editor?.isActive('link') && 'bg-ink! text-sheet'"
        :aria-expanded="linking"
        @click="linking = !linking"
      >
        link
      </button>
      <slot />
    </div>
    <div v-if="linking" class="flex gap-1 border-t p-1" @keydown.esc.stop="linking = false">
      <AskLink :value="link" label="Address of the link" @set="setLink" />
    </div>
  </div>
</template>
