import { parseHTML } from 'linkedom'
import sanitize from 'sanitize-html'
import type { RichDoc, RichNode } from '../../core/rich'
import { safeAddress } from '../../core/addresses'

/** HTML that comes along, as the running text of an entry: what that holds, and nothing else. */

interface HtmlNode {
  nodeType: number
  localName?: string
  textContent: string
  childNodes: Iterable<HtmlNode>
  getAttribute(name: string): string | null
}

const TEXT = 3
const ELEMENT = 1

const KEPT =
  'h1 h2 h3 h4 h5 h6 p div section article ul ol li blockquote hr br strong b em i a table thead tbody tr th td img figure figcaption span pre code'
const OPTIONS: sanitize.IOptions = {
  allowedTags: KEPT.split(' '),
  allowedAttributes: { a: ['href'], img: ['src', 'alt'], td: ['colspan', 'rowspan'], th: ['colspan', 'rowspan'] },
  allowedSchemes: ['http', 'https', 'mailto', 'tel'],
  // An image may be given without the scheme of its page.
  allowProtocolRelative: true,
}

/** Whether words are marked up. */
export const looksLikeHtml = (words: string): boolean =>
  /<\/?(p|div|h[1-6]|ul|ol|li|br|strong|b|em|i|a|blockquote|table|img|span)\b[^<>]*>/i.test(words)

type Marks = NonNullable<RichNode['marks']>

const MARKS: Readonly<Record<string, string>> = { strong: 'bold', b: 'bold', em: 'italic', i: 'italic' }
const LEVELS: Readonly<Record<string, number>> = { h1: 2, h2: 2, h3: 3, h4: 4, h5: 4, h6: 4 }
const BLOCKS = new Set('h1 h2 h3 h4 h5 h6 p div section article ul ol li blockquote hr table figure pre img'.split(' '))

/** Finds the picture that an address in HTML means, among those that came along and those that are there. */
export type FindPicture = (address: string) => string | undefined

class Reader {
  constructor(
    private readonly picture: FindPicture,
    private readonly lost: string[],
  ) {}

  inline(node: HtmlNode, marks: Marks): RichNode[] {
    if (node.nodeType === TEXT) {
      const text = node.textContent.replace(/\s+/g, ' ')
      return text ? [{ type: 'text', text, ...(marks.length && { marks }) }] : []
    }
    if (node.nodeType !== ELEMENT) return []
    if (node.localName === 'br') return [{ type: 'hardBreak' }]
    return [...node.childNodes].flatMap((child) => this.inline(child, withMark(marks, node)))
  }

  /** What stands in a box: blocks as they are, and loose words as paragraphs. */
  blocks(nodes: Iterable<HtmlNode>): RichNode[] {
    const found: RichNode[] = []
    let loose: RichNode[] = []
    const close = () => {
      const content = trimmed(loose)
      if (content.length) found.push({ type: 'paragraph', content })
      loose = []
    }
    for (const node of nodes) {
      if (node.nodeType === ELEMENT && (BLOCKS.has(node.localName!) || hasBlocks(node))) {
        close()
        found.push(...this.block(node))
      } else loose.push(...this.inline(node, []))
    }
    close()
    return found
  }

  private block(node: HtmlNode): RichNode[] {
    const name = node.localName!
    const level = LEVELS[name]
    if (level) return filled({ type: 'heading', attrs: { level }, content: trimmed(this.inline(node, [])) })
    switch (name) {
      case 'hr':
        return [{ type: 'horizontalRule' }]
      case 'img':
        return this.image(node)
      case 'ul':
      case 'ol':
        return filled({ type: name === 'ul' ? 'bulletList' : 'orderedList', content: this.items(node) })
      case 'li':
        return filled({ type: 'bulletList', content: [this.item(node)] })
      case 'blockquote':
        return filled({ type: 'blockquote', content: this.blocks(node.childNodes) })
      case 'table':
        return filled({ type: 'table', content: rowsIn(node).flatMap((row) => this.row(row)) })
      default:
        return this.blocks(node.childNodes)
    }
  }

  private image(node: HtmlNode): RichNode[] {
    const address = node.getAttribute('src')?.trim() ?? ''
    const id = this.picture(address)
    if (!id && address) this.lost.push(address)
    const alt = node.getAttribute('alt')
    return id ? [{ type: 'picture', attrs: { id, alt: alt ? alt.slice(0, 1000) : null, caption: null } }] : []
  }

  private items = (list: HtmlNode): RichNode[] =>
    [...list.childNodes].filter((n) => n.nodeType === ELEMENT).map((n) => this.item(n))

  private item(node: HtmlNode): RichNode {
    const content = this.blocks(node.localName === 'li' ? node.childNodes : [node])
    return { type: 'listItem', content: content.length ? content : [{ type: 'paragraph' }] }
  }

  private row(row: HtmlNode): RichNode[] {
    const cells = [...row.childNodes].filter((n) => n.localName === 'td' || n.localName === 'th')
    const content = cells.map((cell): RichNode => {
      const within = this.blocks(cell.childNodes)
      const spans = { colspan: spanOf(cell, 'colspan', 50), rowspan: spanOf(cell, 'rowspan', 500) }
      const type = cell.localName === 'th' ? 'tableHeader' : 'tableCell'
      return { type, attrs: spans, content: within.length ? within : [{ type: 'paragraph' }] }
    })
    return filled({ type: 'tableRow', content })
  }
}

const filled = (node: RichNode): RichNode[] => (node.content?.length ? [node] : [])

function spanOf(cell: HtmlNode, name: string, most: number): number {
  const span = Number(cell.getAttribute(name) ?? 1)
  return Number.isInteger(span) && span >= 1 && span <= most ? span : 1
}

const rowsIn = (node: HtmlNode): HtmlNode[] =>
  [...node.childNodes].flatMap((n) => (n.localName === 'tr' ? [n] : n.nodeType === ELEMENT ? rowsIn(n) : []))

const HAS_BLOCKS = new WeakMap<HtmlNode, boolean>()

/** Whether a block stands anywhere in something; found once for each, however deep they are nested. */
function hasBlocks(node: HtmlNode): boolean {
  let has = HAS_BLOCKS.get(node)
  if (has === undefined) {
    has = [...node.childNodes].some((n) => n.nodeType === ELEMENT && (BLOCKS.has(n.localName!) || hasBlocks(n)))
    HAS_BLOCKS.set(node, has)
  }
  return has
}

function withMark(marks: Marks, node: HtmlNode): Marks {
  const type = MARKS[node.localName!]
  if (type) return marks.some((m) => m.type === type) ? marks : [...marks, { type }]
  if (node.localName !== 'a' || marks.some((m) => m.type === 'link')) return marks
  const href = safeAddress(node.getAttribute('href') ?? '')
  return href ? [...marks, { type: 'link', attrs: { href } }] : marks
}

/** Words without the blanks that stand around them in the source. */
function trimmed(nodes: RichNode[]): RichNode[] {
  const [first, last] = [nodes[0], nodes.at(-1)]
  const own = nodes.map((node) => {
    let { text } = node
    if (text === undefined) return node
    if (node === first) text = text.trimStart()
    if (node === last) text = text.trimEnd()
    return { ...node, text }
  })
  return own.filter((node) => node.text !== '')
}

/** HTML as running text; null where nothing is left of it. `lost` gets the addresses of images that are not found. */
export function richOf(html: string, picture: FindPicture = () => undefined, lost: string[] = []): RichDoc | null {
  const clean = sanitize(html, OPTIONS)
  const parsed: unknown = parseHTML(`<!doctype html><html><body>${clean}</body></html>`)
  const { body } = (parsed as { document: { body: HtmlNode } }).document
  const content = new Reader(picture, lost).blocks(body.childNodes)
  return content.length ? { type: 'doc', content } : null
}
