<script setup lang="ts">
import type { Written } from '~/composables/useWordsOnPage'
import { useNotices } from '~/stores/notices'

/** One line of words, written on the page where it is drawn. */
const props = defineProps<{ written: Written }>()
const emit = defineEmits<{ set: [text: string]; leave: [] }>()

const notices = useNotices()
const { element, spec, value } = props.written
const most = spec.kind === 'text' ? spec.most : 500

const text = () => (element.textContent ?? '').replace(/\s*\n\s*/g, ' ')

function take() {
  const now = text()
  if (now.length > most) {
    notices.fail(
      new Error(`${spec.label} holds at most ${most} characters; these are ${now.length}. What was there stays.`),
    )
    element.textContent = now.slice(0, most)
  }
  emit('set', text())
}
function onKey(event: KeyboardEvent) {
  event.stopPropagation()
  if (event.isComposing || (event.key !== 'Enter' && event.key !== 'Escape')) return
  event.preventDefault()
  emit('leave')
}
const leave = () => emit('leave')

onMounted(() => {
  element.setAttribute('contenteditable', 'plaintext-only')
  element.setAttribute('data-written', '')
  element.setAttribute('role', 'textbox')
  element.setAttribute('aria-label', spec.label)
  // What is drawn may differ from what is written, such as where it is empty.
  if (text() !== String(value)) element.textContent = String(value)
  element.focus()
  element.ownerDocument.getSelection()?.selectAllChildren(element)
  element.addEventListener('input', take)
  element.addEventListener('keydown', onKey)
  element.addEventListener('blur', leave)
})
onBeforeUnmount(() => {
  element.removeEventListener('input', take)
  element.removeEventListener('keydown', onKey)
  element.removeEventListener('blur', leave)
  for (const name of ['contenteditable', 'data-written', 'role', 'aria-label']) element.removeAttribute(name)
  element.ownerDocument.getSelection()?.removeAllRanges()
})
</script>

<template>
  <p class="border-t bg-sheet px-3.5 py-1.5 text-xs text-soft" data-testid="words">
    Writing {{ spec.label.toLowerCase() }} on the page. <span class="kbd">Enter</span> or
    <span class="kbd">Esc</span> leaves it.
  </p>
</template>
