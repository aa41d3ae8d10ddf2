import { withoutEnd } from '../text'
import { slugOf } from '../addresses'
import type { Id } from '../shape'
import type { RichDoc, RichNode } from './types'

export function isRichDoc(value: unknown): value is RichDoc {
  return typeof value === 'object' && value !== null && (value as RichDoc).type === 'doc'
}

/** Nodes whose contents are one line: nothing stands between them but what they say. */
const ONE_LINE: ReadonlySet<string> = new Set(['paragraph', 'heading'])

/** Rich text as plain text, for searching, descriptions and tests; no more of it is read than holds so many characters. */
export function richText(doc: RichDoc | null, most = Infinity): string {
  const read = (node: RichNode): string => {
    if (node.type === 'hardBreak') return ' '
    return node.text ?? (node.content ?? []).map(read).join(ONE_LINE.has(node.type) ? '' : ' ')
  }
  const parts: string[] = []
  let length = 0
  for (const node of doc?.content ?? []) {
    const text = read(node)
    parts.push(text)
    if ((length += text.length) > most) break
  }
  return parts.join(' ').replace(/\s+/g, ' ').trim()
}

/** As much of a plain text as `most` characters hold, ended at a word and with an ellipsis where something is left out. */
export function firstCharacters(text: string, most: number): string {
  if (text.length <= most) return text
  const cut = text.slice(0, most)
  const end = cut.lastIndexOf(' ')
  return `${withoutEnd(end > most / 2 ? cut.slice(0, end) : cut.slice(0, -1), ' ,;:.\n\t')}…`
}

/** The first sentence of a plain text; all of it where none ends. */
export const firstSentence = (text: string): string =>
  /^.*?[.!?…]["'”’)»]*(?=\s|$)/s.exec(text.trim())?.[0] ?? text.trim()

/** So many words of a plain text, with an ellipsis where more follow. */
export function firstWords(text: string, most: number): string {
  const words = text.trim().split(/\s+/)
  return words.length <= most ? words.join(' ') : `${withoutEnd(words.slice(0, most).join(' '), ',;:.')}…`
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

/** A heading of a text: what it says, how deep it stands, and the anchor that leads to it. */
export interface RichHeading {
  text: string
  level: number
  anchor: string
}

const HEADINGS = new WeakMap<RichDoc, ReadonlyMap<RichNode, RichHeading>>()

/** An anchor that is not taken; the same words, however often, cost a step each. */
function freeAnchor(base: string, taken: Map<string, number>): string {
  for (;;) {
    const times = (taken.get(base) ?? 0) + 1
    taken.set(base, times)
    if (times === 1) return base
    const next = `${base}-${times}`
    if (!taken.has(next)) {
      taken.set(next, 1)
      return next
    }
  }
}

/** Headings that say something, in order, each with an anchor of its own; found once for each state of a text. */
export function headingsOf(doc: RichDoc): ReadonlyMap<RichNode, RichHeading> {
  const known = HEADINGS.get(doc)
  if (known) return known
  const found = new Map<RichNode, RichHeading>()
  const taken = new Map<string, number>()
  const see = (node: RichNode): void => {
    if (node.type !== 'heading') return node.content?.forEach(see)
    const text = richText({ type: 'doc', content: [node] })
    if (!text) return
    const level = Number(node.attrs?.level)
    const anchor = freeAnchor(slugOf(text).slice(0, 60) || 'part', taken)
    found.set(node, { text, level: Number.isInteger(level) ? Math.min(4, Math.max(2, level)) : 2, anchor })
  }
  doc.content?.forEach(see)
  HEADINGS.set(doc, found)
  return found
}

/** Words that are read in a minute, about what studies of silent reading find for running text. */
const WORDS_A_MINUTE = 230
const MINUTES = new WeakMap<RichDoc, number>()

/** About how long a text takes to read, in whole minutes; null for none. */
export function minutesToRead(doc: RichDoc | null): number | null {
  if (!doc) return null
  let minutes = MINUTES.get(doc)
  if (minutes === undefined) {
    const words = richText(doc).split(/\s+/).filter(Boolean).length
    MINUTES.set(doc, (minutes = Math.ceil(words / WORDS_A_MINUTE)))
  }
  return minutes || null
}

/** What a rich text shows besides its words. */
const SEEN_NODES: ReadonlySet<string> = new Set(['picture', 'film', 'horizontalRule', 'field'])

function saysSomething({ type, text, content }: RichNode): boolean {
  if (text !== undefined) return text.trim() !== ''
  return SEEN_NODES.has(type) || (content?.some(saysSomething) ?? false)
}

/** A text is empty without words, pictures and videos: an empty quote or list, and blanks alone, are nothing. */
export const saysNothing = ({ content }: RichDoc): boolean => !(content?.some(saysSomething) ?? false)
