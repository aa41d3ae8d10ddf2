import { KEY, type Shape, isRecord, judged, refuse } from '../shape'
import type { RichDoc } from './types'
import { safeAddress } from '../addresses'

/**
 * The shape of rich text: which nodes there are, what each holds, and which marks a word may carry. It is walked
 * by one function instead of nested schemas: it is what sites have most of, and it calls itself.
 */

type Holds = 'blocks' | 'items' | 'rows' | 'cells' | 'inline' | 'nothing'

type Attrs = Readonly<Record<string, (value: unknown) => boolean>>

interface NodeShape {
  is: 'block' | 'item' | 'row' | 'cell' | 'inline'
  holds: Holds
  attrs?: Attrs
}

const isNone = (value: unknown): boolean => value === null || value === undefined
const isWord = (value: unknown): boolean => isNone(value) || (typeof value === 'string' && value.length <= 200)
const isWhole = (least: number, most: number) => (value: unknown) =>
  Number.isInteger(value) && (value as number) >= least && (value as number) <= most

const isKey = (value: unknown): boolean => typeof value === 'string' && KEY.test(value)
const isLine = (value: unknown): boolean => isNone(value) || (typeof value === 'string' && value.length <= 1000)
const isAddress = (value: unknown): boolean =>
  typeof value === 'string' && value.length <= 2000 && safeAddress(value) !== null

const CELL: Attrs = {
  colspan: isWhole(1, 50),
  rowspan: isWhole(1, 500),
  // What editors write besides; the width of a column follows what stands in it.
  colwidth: (v) => isNone(v) || (Array.isArray(v) && v.length <= 50 && v.every((n) => typeof n === 'number')),
  align: isWord,
}

const NODES: Readonly<Record<string, NodeShape>> = {
  paragraph: { is: 'block', holds: 'inline' },
  heading: { is: 'block', holds: 'inline', attrs: { level: isWhole(1, 6) } },
  bulletList: { is: 'block', holds: 'items' },
  orderedList: { is: 'block', holds: 'items', attrs: { start: isWhole(0, 1e6), type: isWord } },
  listItem: { is: 'item', holds: 'blocks' },
  blockquote: { is: 'block', holds: 'blocks' },
  horizontalRule: { is: 'block', holds: 'nothing' },
  hardBreak: { is: 'inline', holds: 'nothing' },
  table: { is: 'block', holds: 'rows' },
  tableRow: { is: 'row', holds: 'cells' },
  tableHeader: { is: 'cell', holds: 'blocks', attrs: CELL },
  tableCell: { is: 'cell', holds: 'blocks', attrs: CELL },
  picture: { is: 'block', holds: 'nothing', attrs: { id: isKey, alt: isLine, caption: isLine } },
  film: { is: 'block', holds: 'nothing', attrs: { address: isAddress, title: isLine } },
}

const HELD: Record<Exclude<Holds, 'nothing'>, NodeShape['is']> = {
  blocks: 'block',
  items: 'item',
  rows: 'row',
  cells: 'cell',
  inline: 'inline',
}

const LINK: Attrs = {
  href: (v) => isNone(v) || (typeof v === 'string' && v.length <= 2000 && safeAddress(v) !== null),
  page: (v) => isNone(v) || (typeof v === 'string' && KEY.test(v)),
  // What editors of rich text write besides; none of it is drawn.
  target: isWord,
  rel: isWord,
  class: isWord,
  title: isWord,
}

const MARKS: Readonly<Record<string, Attrs>> = { bold: {}, italic: {}, link: LINK }

/** Longer texts are cut into nodes by whoever writes them; one node holds a paragraph at most. */
const MOST_TEXT = 100_000
const MOST_NODES_IN_TEXT = 20_000
const MOST_DEPTH = 24

interface Walk {
  count: number
  field: Shape | null
}

function keysBut(node: Record<string, unknown>, ...known: string[]): string | null {
  const odd = Object.keys(node).find((k) => !known.includes(k))
  return odd === undefined ? null : `this text has a key that is unknown: ${odd.slice(0, 40)}`
}

function refuseMarks(marks: unknown): string | null {
  if (marks === undefined) return null
  if (!Array.isArray(marks) || marks.length > Object.keys(MARKS).length)
    return 'this text has marks that cannot be read'
  const seen = new Set<string>()
  for (const mark of marks as unknown[]) {
    const type = isRecord(mark) ? mark.type : undefined
    if (typeof type !== 'string' || !Object.hasOwn(MARKS, type) || seen.has(type))
      return 'this text has marks that cannot be read'
    seen.add(type)
    const { attrs } = mark as { attrs?: unknown }
    const why = keysBut(mark as Record<string, unknown>, 'type', 'attrs') ?? refuseAttrs(attrs, MARKS[type]!)
    if (why) return why
  }
  return null
}

function refuseAttrs(attrs: unknown, shape: Attrs): string | null {
  if (attrs === undefined) return null
  if (!isRecord(attrs)) return 'this text has attributes that cannot be read'
  for (const name of Object.keys(attrs)) {
    if (!Object.hasOwn(shape, name)) return `this text has an attribute that is unknown: ${name.slice(0, 40)}`
    if (!shape[name]!(attrs[name])) return `this text has an attribute that cannot be: ${name}`
  }
  return null
}

function refuseText(node: Record<string, unknown>): string | null {
  if (typeof node.text !== 'string' || node.text === '') return 'this text has a word that is none'
  if (node.text.length > MOST_TEXT) return 'this text is too long'
  return keysBut(node, 'type', 'text', 'marks') ?? refuseMarks(node.marks)
}

function refuseField(node: Record<string, unknown>, field: Shape | null): string | null {
  if (!field) return 'this text cannot hold fields'
  const { attrs } = node
  const odd = keysBut(node, 'type', 'attrs', 'marks') ?? refuseMarks(node.marks)
  if (odd) return odd
  if (!isRecord(attrs) || Object.keys(attrs).join() !== 'value') return 'a field in the text is missing'
  return refuse(field, attrs.value)
}

function refuseNode(node: unknown, as: NodeShape['is'], depth: number, walk: Walk): string | null {
  if (++walk.count > MOST_NODES_IN_TEXT || depth > MOST_DEPTH) return 'this text is nested too deep or too long'
  if (!isRecord(node) || typeof node.type !== 'string') return 'this must be rich text'
  if (node.type === 'text') return as === 'inline' ? refuseText(node) : 'this must be rich text'
  if (node.type === 'field') return as === 'inline' ? refuseField(node, walk.field) : 'this must be rich text'
  const shape = Object.hasOwn(NODES, node.type) ? NODES[node.type]! : null
  if (!shape) return `this text holds something unknown: ${node.type.slice(0, 40)}`
  if (shape.is !== as) return `this text holds a ${node.type} where none can stand`
  const odd = keysBut(node, 'type', 'attrs', 'content', 'marks') ?? refuseMarks(node.marks)
  return odd ?? refuseAttrs(node.attrs, shape.attrs ?? {}) ?? refuseContent(node.content, shape.holds, depth, walk)
}

function refuseContent(content: unknown, holds: Holds, depth: number, walk: Walk): string | null {
  if (content === undefined) return null
  if (!Array.isArray(content)) return 'this must be rich text'
  if (holds === 'nothing') return content.length === 0 ? null : 'this text holds something where nothing can stand'
  for (const child of content as unknown[]) {
    const why = refuseNode(child, HELD[holds], depth + 1, walk)
    if (why) return why
  }
  return null
}

/** Why something is no rich text, as the end of a sentence; null when it is. `field` judges fields inside it, if there may be any. */
export function refuseRich(value: unknown, field: Shape | null = null): string | null {
  if (!isRecord(value) || value.type !== 'doc') return 'this must be rich text'
  return keysBut(value, 'type', 'content') ?? refuseContent(value.content, 'blocks', 0, { count: 0, field })
}

export const richShape = (field: Shape | null = null) => judged<RichDoc>((value) => refuseRich(value, field))
