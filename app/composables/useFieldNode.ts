import { Node, mergeAttributes } from '@tiptap/core'
import type { FieldValue } from '#core/tree'

/** What is known of a field in running text: its name, and what it says on the page that is looked at. */
export interface FieldWords {
  name(value: FieldValue): string
  now(value: FieldValue): string
}

/** A dynamic field inside rich text: one thing that is moved and removed as a whole. */
export function fieldNode({ name, now }: FieldWords) {
  return Node.create({
    name: 'field',
    group: 'inline',
    inline: true,
    atom: true,
    selectable: true,
    addAttributes: () => ({
      value: {
        default: null,
        parseHTML: (element) => readValue(element.getAttribute('data-value')),
        renderHTML: (attrs) => ({ 'data-value': JSON.stringify(attrs.value) }),
      },
    }),
    parseHTML: () => [
      { tag: 'span[data-field]', getAttrs: (e) => readValue(e.getAttribute('data-value')) !== null && null },
    ],
    renderHTML: ({ node, HTMLAttributes }) => {
      const value = node.attrs.value as FieldValue
      const attributes = { 'data-field': '', 'data-name': name(value), class: 'chip-field', title: name(value) }
      return ['span', mergeAttributes(HTMLAttributes, attributes), now(value) || '\u2013']
    },
  })
}

/** What is pasted may say anything: only what can be read is a field. */
function readValue(text: string | null): unknown {
  try {
    const value = JSON.parse(text ?? 'null') as { kind?: unknown } | null
    return value?.kind === 'field' ? value : null
  } catch {
    return null
  }
}
