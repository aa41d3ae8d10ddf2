import { isFieldValue } from '../tree'
import { type RichDoc, type RichNode, headingsOf } from '../rich'
import { safeAddress } from '../addresses'
import { attribute, escapeHtml } from './escape'
import { type Chunk, join, wrapFilled } from './chunk'
import { img } from './pictures'
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
  ['tableRow', 'tr'],
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

const CELL_TAGS = new Map([
  ['tableHeader', 'th'],
  ['tableCell', 'td'],
])

function cell(tag: string, { colspan, rowspan }: Record<string, unknown>, inside: Chunk): Chunk {
  const spans = [
    ['colspan', colspan],
    ['rowspan', rowspan],
  ] as const
  const wide = spans.map(([name, n]) => (Number.isInteger(n) && (n as number) > 1 ? attribute(name, String(n)) : ''))
  return join(`<${tag}${tag === 'th' ? ' scope="col"' : ''}${wide.join('')}>`, inside, `</${tag}>`)
}

/** A picture in the text, with its own description unless it is given another, and its caption. */
function picture({ id, alt, caption }: Record<string, unknown>): Chunk {
  const words = typeof caption === 'string' && caption ? `<figcaption>${escapeHtml(caption)}</figcaption>` : ''
  return ({ catalogue }) => {
    const found = catalogue.pictures.get(String(id))
    if (!found) return ''
    return `<figure>${img(found, typeof alt === 'string' && alt ? alt : found.alt)}${words}</figure>`
  }
}

const PLAYED = /^\/files\/[^?#]+\.(mp4|webm|ogv)$/i

/** Whether an address is that of a film of the site itself. */
export const isOwnFilm = (address: string): boolean => PLAYED.test(address)

const HEARD = /^\/files\/[^?#]+\.(mp3|ogg|oga|opus|wav|flac|m4a|aac)$/i

/** Whether an address is that of a sound of the site itself. */
export const isOwnSound = (address: string): boolean => HEARD.test(address)

/** A film of the site itself is played here; one elsewhere is led to, so that nothing of others is loaded. */
function film({ address, title }: Record<string, unknown>): Chunk {
  const href = typeof address === 'string' ? safeAddress(address) : null
  if (href === null) return ''
  const words = escapeHtml(typeof title === 'string' && title ? title : href.replace(/^https?:\/\/(www\.)?/, ''))
  return isOwnFilm(href)
    ? `<figure><video controls preload="metadata"${attribute('src', href)}></video><figcaption>${words}</figcaption></figure>`
    : `<p class="of-film"><a${attribute('href', href)}>${words}</a></p>`
}

const WHOLE: Readonly<Record<string, (attrs: Record<string, unknown>) => Chunk>> = { picture, film }

function drawNode(node: RichNode, anchors: Anchors = null): Chunk {
  if (node.type === 'text') return textNode(node)
  if (node.type === 'hardBreak') return '<br>'
  if (node.type === 'horizontalRule') return '<hr>'
  if (node.type === 'field') {
    const value = node.attrs?.value
    return isFieldValue(value) ? fieldChunk(value) : ''
  }
  if (Object.hasOwn(WHOLE, node.type)) return WHOLE[node.type]!(node.attrs ?? {})
  const inside = join(...(node.content ?? []).map((n) => drawNode(n, anchors)))
  // Wide tables scroll by themselves, for keys too.
  if (node.type === 'table')
    return join('<div class="of-table" tabindex="0"><table><tbody>', inside, '</tbody></table></div>')
  const ofCell = CELL_TAGS.get(node.type)
  if (ofCell) return cell(ofCell, node.attrs ?? {}, inside)
  const tag = node.type === 'heading' ? headingTag(node.attrs) : NODE_TAGS.get(node.type)
  if (!tag) return inside
  const dir = directionOf(node)
  const anchor = anchors?.get(node)?.anchor
  const id = anchor === undefined ? '' : attribute('id', anchor)
  const open = `<${tag}${id}${dir ? ' dir="rtl"' : ''}>`
  // What was left empty by its writer stays; what only holds fields that are empty here is not drawn. Rows keep their cells.
  const fields = typeof inside !== 'string' && tag !== 'tr'
  return (fields ? wrapFilled : join)(open, inside, `</${tag}>`)
}

const RTL = /^[^\p{L}]*[\p{Script=Hebrew}\p{Script=Arabic}]/u

/** Paragraphs and headings that begin in a right-to-left script say so. */
function directionOf(node: RichNode): boolean {
  return (node.type === 'paragraph' || node.type === 'heading') && RTL.test(node.content?.[0]?.text ?? '')
}

/** Rich text of an element, with its dynamic fields, as a chunk. */
export function richChunk(doc: RichDoc): Chunk {
  return join(...(doc.content ?? []).map((node) => drawNode(node)))
}

/** Anchors of the headings of the text that is being drawn. */
type Anchors = ReturnType<typeof headingsOf> | null

const DRAWN = new WeakMap<RichDoc, Chunk>()
const ANCHORED = new WeakMap<RichDoc, Chunk>()

/** Rich text of an entry, whose headings can be led to: for the one place on a page where it stands as the content. */
export function anchoredChunk(doc: RichDoc): Chunk {
  let chunk = ANCHORED.get(doc)
  if (chunk === undefined) {
    const anchors = headingsOf(doc)
    ANCHORED.set(doc, (chunk = join(...(doc.content ?? []).map((node) => drawNode(node, anchors)))))
  }
  return chunk
}

/** So many paragraphs are drawn in no time that anybody notices. */
const SOON_DRAWN = 400

/**
 * Has the rich text of an entry ready before a page is drawn with it. A long one is made in parts, and `turn` is called
 * between them: what it gives is waited for. Answers nothing where there is nothing to wait for.
 */
export function anchorAhead(doc: RichDoc | null, turn: () => Promise<void> | undefined): Promise<void> | undefined {
  const nodes = doc?.content ?? []
  if (!doc || nodes.length < SOON_DRAWN || ANCHORED.has(doc)) return undefined
  return (async () => {
    await turn()
    const anchors = headingsOf(doc)
    const parts: Chunk[] = []
    for (const node of nodes) {
      parts.push(drawNode(node, anchors))
      await turn()
    }
    ANCHORED.set(doc, join(...parts))
  })()
}

/** Rich text of an entry; drawn once for each state of the content. */
export function contentChunk(doc: RichDoc): Chunk {
  let chunk = DRAWN.get(doc)
  if (chunk === undefined) DRAWN.set(doc, (chunk = richChunk(doc)))
  return chunk
}
