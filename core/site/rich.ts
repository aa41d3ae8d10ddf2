import type { RichDoc, RichNode } from './types'

export function isRichDoc(value: unknown): value is RichDoc {
  return typeof value === 'object' && value !== null && (value as RichDoc).type === 'doc'
}

/** Rich text as plain text, for searching, descriptions and tests. */
export function richText(doc: RichDoc | null): string {
  const read = (node: RichNode): string =>
    node.text ?? (node.content ?? []).map(read).join(node.type === 'paragraph' ? '' : ' ')
  return doc ? (doc.content ?? []).map(read).join(' ').replace(/\s+/g, ' ').trim() : ''
}
