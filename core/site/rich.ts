import type { RichDoc, RichNode } from './types'

export function isRichDoc(value: unknown): value is RichDoc {
  return typeof value === 'object' && value !== null && (value as RichDoc).type === 'doc'
}

/** Nodes whose contents are one line: nothing stands between them but what they say. */
const ONE_LINE: ReadonlySet<string> = new Set(['paragraph', 'heading'])

/** Rich text as plain text, for searching, descriptions and tests. */
export function richText(doc: RichDoc | null): string {
  const read = (node: RichNode): string => {
    if (node.type === 'hardBreak') return ' '
    return node.text ?? (node.content ?? []).map(read).join(ONE_LINE.has(node.type) ? '' : ' ')
  }
  return doc ? (doc.content ?? []).map(read).join(' ').replace(/\s+/g, ' ').trim() : ''
}
