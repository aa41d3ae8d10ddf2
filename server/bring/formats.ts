import { XMLParser, XMLValidator } from 'fast-xml-parser'
import MarkdownIt from 'markdown-it'
import Papa from 'papaparse'
import { parse as parseToml } from 'smol-toml'
import { parseDocument } from 'yaml'
import { unsafeCell } from '../../core/formats'
import { fail } from '../../core/problems'
import { isRecord, tooDeep } from '../../core/shape'
import { before, withoutEnd } from '../../core/text'
import { type Row, cellOf, columnNames } from './sheet'

/** The open formats in which content comes along, each as rows of words. */

/** Rows of a table, given one by one as they are read: `take` may throw, and no more is read. */
export function readTable(text: string, delimiter: '' | '\t', take: (row: Row) => void): void {
  let names: string[] | null = null
  let count = 0
  let wrong: { error: unknown } | null = null
  // To tell by what cells are set apart, the beginning is enough; asked of all, it takes the library very long.
  const told = delimiter || Papa.parse(text.slice(0, 50_000), { preview: 20, skipEmptyLines: 'greedy' }).meta.delimiter
  Papa.parse<string[]>(text, {
    delimiter: told,
    skipEmptyLines: 'greedy',
    step({ data: cells, errors }, parser) {
      count++
      try {
        if (errors.some((e) => e.type === 'Quotes'))
          fail('sheet-wrong', { why: `a quotation mark in row ${count} has no other half` })
        if (cells.length > 5000) fail('sheet-wrong', { why: `it has ${cells.length} columns` })
        if (names) take(Object.fromEntries(names.map((name, i) => [name, unsafeCell(cells[i] ?? '')])))
        else names = columnNames(cells)
      } catch (error) {
        // What is thrown here would be swallowed.
        wrong = { error }
        parser.abort()
      }
    },
  })
  if (wrong) throw (wrong as { error: unknown }).error
}

/** An object whose list of objects stands under one of its names; the longest where several do. */
function listIn(value: Record<string, unknown>): unknown[] | null {
  const lists = Object.values(value).filter((v): v is unknown[] => Array.isArray(v) && v.some(isRecord))
  return lists.sort((a, b) => b.length - a.length)[0] ?? null
}

/** A feature of GeoJSON (RFC 7946) as an object of its properties, with where its point stands. */
function featureOf(value: Record<string, unknown>): Record<string, unknown> {
  if (value.type !== 'Feature' || !isRecord(value.properties)) return value
  const { geometry, properties, id } = value
  const at =
    isRecord(geometry) && geometry.type === 'Point' && Array.isArray(geometry.coordinates) ? geometry.coordinates : null
  return { ...(id !== undefined && { id }), ...properties, ...(at && { longitude: at[0], latitude: at[1] }) }
}

/** JSON as it is mostly kept: a list of objects, or an object in which one stands. Null for what is no whole JSON. */
export function readJson(text: string): Row[] | null {
  let value: unknown
  try {
    value = JSON.parse(text)
  } catch (error) {
    if (error instanceof SyntaxError) return null
    throw error
  }
  if (tooDeep(value)) return fail('sheet-wrong', { why: 'it is nested too deep' })
  const list = Array.isArray(value) ? value : isRecord(value) ? (listIn(value) ?? [value]) : []
  const odd = list.findIndex((item) => !isRecord(item))
  if (list.length === 0 || odd >= 0)
    return fail('sheet-wrong', {
      why: odd >= 0 ? `thing ${odd + 1} of its list is no object` : 'it holds no list of objects',
    })
  return list.map((item) => flat(featureOf(item as Record<string, unknown>)))
}

export function readLines(text: string): Row[] {
  const rows: Row[] = []
  for (const [i, line] of text.split(/\r?\n/).entries()) {
    if (!line.trim()) continue
    let value: unknown
    try {
      value = JSON.parse(line)
    } catch (error) {
      if (!(error instanceof SyntaxError)) throw error
      return fail('sheet-wrong', { why: `line ${i + 1} is no readable JSON` })
    }
    if (!isRecord(value) || tooDeep(value)) return fail('sheet-wrong', { why: `line ${i + 1} is no object` })
    rows.push(flat(featureOf(value)))
  }
  return rows
}

/** An object as a row; what stands in `fields` stands beside the rest, as it went out. */
function flat(value: Record<string, unknown>): Row {
  const { fields, ...own } = value
  const all = isRecord(fields) ? { ...own, ...fields } : value
  const entries = Object.entries(all).filter(([name]) => name !== '__proto__')
  const names = columnNames(entries.map(([name]) => name))
  return Object.fromEntries(entries.map(([, cell], i) => [names[i]!, cellOf(cell)]))
}

const markdown = new MarkdownIt({ html: true, linkify: false })
/** Words that refer to themselves would have no end. */
const YAML = { maxAliasCount: 20, logLevel: 'silent' } as const

/** Where a head of YAML or TOML stands at the beginning of a text, between two lines of the same signs. */
const HEADS: readonly [name: string, open: RegExp, close: RegExp, read: (head: string) => unknown][] = [
  ['YAML', /^---[ \t]*\r?\n/, /^(?:---|\.\.\.)[ \t]*\r?$/m, yamlOf],
  ['TOML', /^\+\+\+[ \t]*\r?\n/, /^\+\+\+[ \t]*\r?$/m, (head) => parseToml(head)],
]

/** YAML that is whole: one that a reader would have to guess at is refused, so that no value comes in damaged. */
function yamlOf(head: string): unknown {
  const read = parseDocument(head, YAML)
  const [wrong] = [...read.errors, ...read.warnings]
  if (wrong) throw wrong
  return read.toJS({ maxAliasCount: YAML.maxAliasCount }) as unknown
}

/** The head of a text, and what stands behind it. */
function headOf(text: string, name: string): { matter: Record<string, unknown>; body: string } {
  for (const [kind, open, close, read] of HEADS) {
    const begun = open.exec(text)
    if (!begun) continue
    const rest = text.slice(begun[0].length)
    const ended = close.exec(rest)
    if (!ended) break
    let matter: unknown
    try {
      matter = read(rest.slice(0, ended.index)) ?? {}
    } catch (error) {
      const why = (error as Error).message.split('\n')[0]!.slice(0, 80)
      return fail('sheet-wrong', { why: `the head of ${name} is no readable ${kind} (${why})` })
    }
    if (!isRecord(matter) || tooDeep(matter))
      return fail('sheet-wrong', { why: `the head of ${name} holds no names with values` })
    return { matter, body: rest.slice(ended.index + ended[0].length) }
  }
  return { matter: {}, body: text }
}

/** `draft: true` is the other side of `published`. */
function publishedIn({ draft, published }: Record<string, unknown>): Row {
  return typeof draft === 'boolean' && published === undefined ? { published: draft ? 'no' : 'yes' } : {}
}

/** A text with its head as one row: `content` is its body as HTML; its title and its day may stand in other places. */
export function readMarkdown(text: string, name: string): Row {
  const { matter, body } = headOf(text.replace(/^\ufeff/, ''), name)
  const { draft: _, ...rest } = matter
  const own = { ...flat(typeof matter.draft === 'boolean' ? rest : matter), ...publishedIn(matter) }
  const tokens = markdown.parse(body, {})
  // The title is the first thing of a text, and a heading: not a line of code that looks like one.
  const isTitled = !('title' in own) && tokens[0]?.type === 'heading_open' && tokens[0].tag === 'h1'
  const titled: Row = isTitled ? { title: tokens[1]!.content.trim() } : {}
  const file = name
    .split('/')
    .pop()!
    .replace(/\.(md|markdown)$/i, '')
  const day = /^(\d{4}-\d{2}-\d{2})-(?=.)/.exec(file)
  const dated: Row = day && !('date' in own) ? { date: day[1]! } : {}
  const content = markdown.renderer.render(isTitled ? tokens.slice(3) : tokens, markdown.options, {}).trim()
  return { slug: day ? file.slice(day[0].length) : file, ...titled, ...dated, ...own, content }
}

const feeds = new XMLParser({
  ignoreAttributes: false,
  attributeNamePrefix: '@',
  processEntities: { enabled: true, maxEntitySize: 1000, maxExpansionDepth: 2, maxTotalExpansions: 1000 } as never,
  htmlEntities: true,
  parseTagValue: false,
  // What is marked up in a feed itself stays as it is written.
  stopNodes: ['*.content', '*.summary', '*.title'],
})

const listOf = (value: unknown): unknown[] => (Array.isArray(value) ? value : value === undefined ? [] : [value])
const rawOf = (value: unknown): string => (isRecord(value) ? cellOf(value['#text'] ?? '') : cellOf(value))

const ENTITIES: Readonly<Record<string, string>> = { amp: '&', lt: '<', gt: '>', quot: '"', apos: "'", nbsp: '\u00a0' }

/** What escaped text says; once. */
const unescaped = (text: string): string =>
  text.replace(
    /&(?:#x([\da-f]{1,6})|#(\d{1,7})|([a-z]{2,8}));/gi,
    (whole, hex?: string, decimal?: string, name?: string) => {
      if (name) return ENTITIES[name.toLowerCase()] ?? whole
      const code = hex ? parseInt(hex, 16) : Number(decimal)
      return code > 0 && code <= 0x10ffff ? String.fromCodePoint(code) : whole
    },
  )

/** The text of a CDATA section as it is, and of anything else as it is meant. */
function characters(raw: string): string {
  const text = raw.trim()
  if (!text.startsWith('<![CDATA[')) return unescaped(raw)
  return text
    .split('<![CDATA[')
    .map((part) => part.replace(']]>', ''))
    .join('')
}

/** What an Atom construct holds (RFC 4287, 3.1): XHTML stands in it as it is, HTML and words are escaped. */
function constructOf(value: unknown): { html: boolean; text: string } {
  const type = isRecord(value) ? cellOf(value['@type'] ?? '') : ''
  const raw = rawOf(value)
  if (type === 'xhtml') {
    const inner = raw.replace(/^\s*<(?:\w+:)?div\b[^<>]*>/i, '')
    return { html: true, text: withoutLast(inner, /<\/(?:\w+:)?div>\s*$/i).trim() }
  }
  return { html: type !== 'text', text: characters(raw).trim() }
}

const withoutLast = (text: string, end: RegExp): string => {
  const at = text.lastIndexOf('</')
  return at >= 0 && end.test(text.slice(at)) ? text.slice(0, at) : text
}

/** Words without their markup: what is a title or a category is one line. */
const lineOf = (value: unknown): string => {
  const { html, text } = constructOf(value)
  const plain = html ? unescaped(text.replace(/<[^<>]+>/g, ' ')) : text
  return plain.replace(/\s+/g, ' ').trim()
}

const wordsIn = (value: unknown): string =>
  isRecord(value) ? cellOf(value['@label'] ?? value['#text'] ?? value['@term'] ?? value.name ?? '') : cellOf(value)

function linkOf(item: Record<string, unknown>): string {
  for (const link of listOf(item.link)) {
    if (typeof link === 'string') return link
    if (isRecord(link) && (link['@rel'] ?? 'alternate') === 'alternate') return cellOf(link['@href'])
  }
  return cellOf(item['@rdf:about'] ?? '')
}

/** Addresses in marked-up text, from where its feed says that it stands (`xml:base`). */
function based(html: string, base: string): string {
  if (!URL.canParse(base)) return html
  return html.replace(/ (href|src)="([^"<>]*)"/g, (whole, name: string, address: string) =>
    URL.canParse(address, base) ? ` ${name}="${new URL(address, base).href}"` : whole,
  )
}

/** The last part of the address that an item stood at. */
const slugIn = (link: string): string => withoutEnd(before(link, '?#'), '/').split('/').pop() ?? ''

const MOST_LEVELS = 60

/** Whether elements are nested deeper than any feed has them; looks at every tag once. */
function nestsTooDeep(text: string): boolean {
  let depth = 0
  for (let at = text.indexOf('<'); at >= 0; at = text.indexOf('<', at + 1)) {
    if (text.startsWith('<![CDATA[', at)) {
      const end = text.indexOf(']]>', at)
      if (end < 0) return false
      at = end
    } else if (text[at + 1] === '/') depth--
    else if (/[a-z]/i.test(text[at + 1] ?? '')) {
      const end = text.indexOf('>', at)
      if (end > 0 && text[end - 1] !== '/' && ++depth > MOST_LEVELS) return true
    }
  }
  return false
}

/** The items of a feed: Atom (RFC 4287), RSS 2.0, or RSS 1.0, whose items stand beside their channel. */
export function readFeed(text: string): Row[] {
  if (/<!ENTITY/i.test(text)) fail('sheet-wrong', { why: 'it gives names to words of its own, which no feed needs' })
  if (nestsTooDeep(text)) fail('sheet-wrong', { why: 'its elements are nested deeper than those of any feed' })
  const valid = XMLValidator.validate(text)
  if (valid !== true) return fail('sheet-wrong', { why: `line ${valid.err.line} of it is no readable XML` })
  let read: Record<string, unknown>
  try {
    read = feeds.parse(text) as Record<string, unknown>
  } catch (error) {
    return fail('sheet-wrong', { why: `it is no readable XML (${(error as Error).message.slice(0, 80)})` })
  }
  const rdf = read['rdf:RDF'] as Record<string, unknown> | undefined
  const channel = (read.rss as Record<string, unknown> | undefined)?.channel as Record<string, unknown> | undefined
  const feed = read.feed as Record<string, unknown> | undefined
  const items = listOf(channel?.item ?? rdf?.item ?? feed?.entry).filter(isRecord)
  if (!channel && !feed && !rdf) fail('sheet-wrong', { why: 'it is neither an Atom nor an RSS feed' })
  const site = cellOf(feed?.['@xml:base'] ?? '')
  return items.map((item) => {
    const content = isRecord(item.content) || item.content ? constructOf(item.content) : null
    const long = item['content:encoded'] ? { html: true, text: characters(rawOf(item['content:encoded'])) } : content
    const short = item.summary !== undefined ? lineOf(item.summary) : ''
    const base = cellOf(item['@xml:base'] ?? (isRecord(item.content) ? item.content['@xml:base'] : undefined) ?? site)
    const body = long?.text ?? characters(cellOf(item.description ?? ''))
    return {
      title: lineOf(item.title),
      slug: slugIn(linkOf(item)),
      summary: long ? short || lineOf(item.description ?? '') : short,
      content: based(
        body,
        URL.canParse(base, linkOf(item) || undefined) ? new URL(base, linkOf(item) || undefined).href : base,
      ),
      date: wordsIn(item.published ?? item.pubDate ?? item.updated ?? item['dc:date']),
      person: listOf(item.author ?? item['dc:creator'])
        .map(wordsIn)
        .join('; '),
      terms: listOf(item.category).map(wordsIn).filter(Boolean).join('; '),
    }
  })
}
