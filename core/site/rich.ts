import type { Id, RichDoc, RichNode } from './types'

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

/** As much of a plain text as `most` characters hold, ended at a word and with an ellipsis where something is left out. */
export function firstCharacters(text: string, most: number): string {
  if (text.length <= most) return text
  const cut = text.slice(0, most)
  const end = cut.lastIndexOf(' ')
  return `${(end > most / 2 ? cut.slice(0, end) : cut.slice(0, -1)).replace(/[\s,;:.]+$/, '')}…`
}

/** The pictures that stand in a text, by their ids. */
export function richPictures(doc: RichDoc | null): Id[] {
  const found: Id[] = []
  const see = (node: RichNode): void => {
    if (node.type === 'picture' && typeof node.attrs?.id === 'string') found.push(node.attrs.id)
    node.content?.forEach(see)
  }
  doc?.content?.forEach(see)
  return found
}
