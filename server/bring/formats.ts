import { XMLParser, XMLValidator } from 'fast-xml-parser'
import MarkdownIt from 'markdown-it'
import Papa from 'papaparse'
import { parse as parseYaml } from 'yaml'
import { fail } from '../../core/problems'
import { isRecord, tooDeep } from '../../core/shape'
import { type Row, cellOf, columnNames } from './sheet'

/** The open formats in which content comes along, each as rows of words. */

/** A cell that a spreadsheet was kept from taking for a sum: see `safeCell`. */
const unquoted = (cell: string): string => (/^'[=+\-@\t\r]/.test(cell) ? cell.slice(1) : cell)

export function readTable(text: string, delimiter: '' | '\t'): Row[] {
  const { data, errors } = Papa.parse<string[]>(text, { delimiter, skipEmptyLines: 'greedy' })
  const broken = errors.find((e) => e.type === 'Quotes')
  if (broken) fail('sheet-wrong', { why: `a quotation mark in row ${(broken.row ?? 0) + 1} has no other half` })
  const [head, ...rows] = data
  if (!head) return []
  if (head.length > 5000) fail('sheet-wrong', { why: `it has ${head.length} columns` })
  const names = columnNames(head)
  return rows.map((cells) => Object.fromEntries(names.map((name, i) => [name, unquoted(cells[i] ?? '')])))
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
    rows.push(flat(value))
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

/** A text with its front matter as one row: `content` is its body as HTML, `slug` what the file is called. */
export function readMarkdown(text: string, name: string): Row {
  const found = /^---[ \t]*\r?\n([\s\S]*?)\r?\n(?:---|\.\.\.)[ \t]*(?:\r?\n|$)/.exec(text)
  let matter: unknown = {}
  if (found) {
    try {
      matter = parseYaml(found[1]!, YAML) ?? {}
    } catch (error) {
      return fail('sheet-wrong', {
        why: `the head of ${name} is no readable YAML (${(error as Error).message.split('\n')[0]!.slice(0, 80)})`,
      })
    }
  }
  if (!isRecord(matter) || tooDeep(matter))
    return fail('sheet-wrong', { why: `the head of ${name} holds no names with values` })
  const body = found ? text.slice(found[0].length) : text
  const heading = /^\s*#\s+(.+)$/m.exec(body)
  const own = flat(matter)
  const titled: Row = 'title' in own || !heading ? {} : { title: heading[1]!.trim() }
  const slug = name
    .split('/')
    .pop()!
    .replace(/\.(md|markdown)$/i, '')
    .replace(/^\d{4}-\d{2}-\d{2}-/, '')
  const rest = titled.title ? body.replace(heading![0], '') : body
  return { slug, ...titled, ...own, content: markdown.render(rest).trim() }
}

const feeds = new XMLParser({
  ignoreAttributes: false,
  attributeNamePrefix: '@',
  processEntities: { enabled: true, maxEntitySize: 1000, maxExpansionDepth: 2, maxTotalExpansions: 1000 } as never,
  htmlEntities: true,
  parseTagValue: false,
  stopNodes: ['*.xhtml'],
})

const listOf = (value: unknown): unknown[] => (Array.isArray(value) ? value : value === undefined ? [] : [value])
const wordsIn = (value: unknown): string =>
  isRecord(value) ? cellOf(value['#text'] ?? value['@term'] ?? value.name ?? '') : cellOf(value)

function linkOf(item: Record<string, unknown>): string {
  for (const link of listOf(item.link)) {
    if (typeof link === 'string') return link
    if (isRecord(link) && (link['@rel'] ?? 'alternate') === 'alternate') return cellOf(link['@href'])
  }
  return ''
}

/** The last part of the address that an item stood at. */
const slugIn = (link: string): string =>
  link
    .replace(/[?#].*$/, '')
    .replace(/\/+$/, '')
    .split('/')
    .pop() ?? ''

export function readFeed(text: string): Row[] {
  if (/<!ENTITY/i.test(text)) fail('sheet-wrong', { why: 'it gives names to words of its own, which no feed needs' })
  const valid = XMLValidator.validate(text)
  if (valid !== true) return fail('sheet-wrong', { why: `line ${valid.err.line} of it is no readable XML` })
  const read = feeds.parse(text) as Record<string, unknown>
  const channel = (read.rss as Record<string, unknown> | undefined)?.channel as Record<string, unknown> | undefined
  const feed = read.feed as Record<string, unknown> | undefined
  const items = listOf(channel?.item ?? feed?.entry).filter(isRecord)
  if (!channel && !feed) fail('sheet-wrong', { why: 'it is neither an Atom nor an RSS feed' })
  return items.map((item) => ({
    title: wordsIn(item.title),
    slug: slugIn(linkOf(item)),
    summary:
      item['content:encoded'] || item.content ? wordsIn(item.summary ?? item.description) : wordsIn(item.summary ?? ''),
    content: wordsIn(item['content:encoded'] ?? item.content ?? item.description),
    date: wordsIn(item.published ?? item.pubDate ?? item.updated ?? item['dc:date']),
    person: listOf(item.author ?? item['dc:creator'])
      .map(wordsIn)
      .join('; '),
    terms: listOf(item.category).map(wordsIn).filter(Boolean).join('; '),
  }))
}
