import { isFieldValue } from '../tree'
import { type RichDoc, type RichNode, safeAddress } from '../site'
import { attribute, escapeHtml } from './escape'
import { type Chunk, join } from './chunk'
import { fieldChunk, linkAddress } from './values'

/**
 * Draws rich text from an allow-list: a node or mark that is not named here draws only what is inside it.
 * Links go through the same check as every other link.
 */
const NODE_TAGS = new Map([
  ['paragraph', 'p'],
  ['bulletList', 'ul'],
  ['orderedList', 'ol'],
  ['listItem', 'li'],
  ['blockquote', 'blockquote'],
])

const MARK_TAGS = new Map([
  ['bold', 'strong'],
  ['italic', 'em'],
])

/** No more marks than this are drawn on one word, whatever is stored. */
const MOST_MARKS = 8

function textNode(node: RichNode): Chunk {
  let chunk: Chunk = escapeHtml(node.text ?? '').replace(/\n/g, ' ')
  for (const mark of (node.marks ?? []).slice(0, MOST_MARKS)) {
    const tag = MARK_TAGS.get(mark.type)
    if (tag) chunk = join(`<${tag}>`, chunk, `</${tag}>`)
    else if (mark.type === 'link') chunk = linked(mark.attrs ?? {}, chunk)
  }
  return chunk
}

function linked(attrs: Record<string, unknown>, inside: Chunk): Chunk {
  if (typeof attrs.page === 'string') {
    const page = attrs.page
    return join((scene) => `<a${attribute('href', linkAddress({ page }, scene))}>`, inside, '</a>')
  }
  const href = typeof attrs.href === 'string' ? safeAddress(attrs.href) : null
  return href ? join(`<a${attribute('href', href)}>`, inside, '</a>') : inside
}

/** Headings inside rich text begin at level 2: level 1 is the page's own title. */
function headingTag(attrs: Record<string, unknown> = {}): string {
  const level = typeof attrs.level === 'number' ? Math.min(4, Math.max(2, Math.round(attrs.level))) : 2
  return `h${level}`
}

function drawNode(node: RichNode): Chunk {
  if (node.type === 'text') return textNode(node)
  if (node.type === 'hardBreak') return '<br>'
  if (node.type === 'horizontalRule') return '<hr>'
  if (node.type === 'field') {
    const value = node.attrs?.value
    return isFieldValue(value) ? fieldChunk(value) : ''
  }
  const inside = join(...(node.content ?? []).map(drawNode))
  const tag = node.type === 'heading' ? headingTag(node.attrs) : NODE_TAGS.get(node.type)
  if (!tag) return inside
  const dir = directionOf(node)
  return join(dir ? `<${tag} dir="rtl">` : `<${tag}>`, inside, `</${tag}>`)
}

const RTL = /^[^\p{L}]*[\p{Script=Hebrew}\p{Script=Arabic}]/u

/** Paragraphs and headings that begin in a right-to-left script say so. */
function directionOf(node: RichNode): boolean {
  return (node.type === 'paragraph' || node.type === 'heading') && RTL.test(node.content?.[0]?.text ?? '')
}

/** Rich text of an element, with its dynamic fields, as a chunk. */
export function richChunk(doc: RichDoc): Chunk {
  return join(...(doc.content ?? []).map(drawNode))
}

const DRAWN = new WeakMap<RichDoc, Chunk>()

/** Rich text of an entry; drawn once for each state of the content. */
export function contentChunk(doc: RichDoc): Chunk {
  let chunk = DRAWN.get(doc)
  if (chunk === undefined) DRAWN.set(doc, (chunk = richChunk(doc)))
  return chunk
}
