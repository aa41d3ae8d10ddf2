import { Node, mergeAttributes } from '@tiptap/core'
import type { FieldValue } from '#core/tree'

/** A dynamic field inside rich text: one thing that is moved and removed as a whole. */
export function fieldNode(labelOf: (value: FieldValue) => string) {
  return Node.create({
    name: 'field',
    group: 'inline',
    inline: true,
    atom: true,
    selectable: true,
    addAttributes: () => ({
      value: {
        default: null,
        parseHTML: (element) => JSON.parse(element.getAttribute('data-value') ?? 'null') as unknown,
        renderHTML: (attrs) => ({ 'data-value': JSON.stringify(attrs.value) }),
      },
    }),
    parseHTML: () => [{ tag: 'span[data-field]' }],
    renderHTML: ({ node, HTMLAttributes }) => [
      'span',
      mergeAttributes(HTMLAttributes, { 'data-field': '', class: 'chip-field' }),
      labelOf(node.attrs.value as FieldValue),
    ],
  })
}
