import { mailTime, momentIn } from '../../core/time'
import { fieldSpec, referredIn } from '../../core/fields'
import { type Zippable, strToU8, zip } from 'fflate'
import Papa from 'papaparse'
import { contentHtml, jsonOf, rowOfEntry, safeCell } from '../../core/formats'
import { feedOf } from '../../core/machines'
import { fail } from '../../core/problems'
import type { Entry, PageType } from '../../core/model'
import type { Content } from './content'
import type { Media } from './media'
import { takeTurns } from './turns'

export const EXPORTS = ['csv', 'tsv', 'jsonl', 'markdown', 'atom', 'rss'] as const
export type ExportFormat = (typeof EXPORTS)[number]

export interface Exported {
  bytes: Buffer
  mime: string
  fileName: string
}

type Row = Record<string, string>

const MIMES: Record<ExportFormat, [string, string]> = {
  csv: ['text/csv; charset=utf-8', 'csv'],
  tsv: ['text/tab-separated-values; charset=utf-8', 'tsv'],
  jsonl: ['application/jsonl', 'jsonl'],
  markdown: ['application/zip', 'zip'],
  atom: ['application/atom+xml', 'atom'],
  rss: ['application/rss+xml', 'rss'],
}

/** Content on its way elsewhere, in open formats that come in again. */
export class Export {
  constructor(
    private readonly content: Pick<Content, 'catalogue' | 'formats'>,
    private readonly media: Pick<Media, 'bytesOf'>,
  ) {}

  /** All entries of a page type that were not removed. */
  async make(typeId: string, format: ExportFormat): Promise<Exported> {
    const { catalogue, formats } = this.content
    const type = catalogue.types.get(typeId) ?? fail('type-unknown', { id: typeId })
    const entries = catalogue.site.entries.filter((e) => e.type === typeId)
    const rows: Row[] = []
    const turn = takeTurns()
    for (const entry of entries) {
      await turn()
      rows.push(rowOfEntry(entry, type, catalogue, formats))
    }
    const [mime, ending] = MIMES[format]
    const bytes = await this.write(format, rows, entries, type)
    return { bytes, mime, fileName: `${type.slug || type.id}.${ending}` }
  }

  private async write(format: ExportFormat, rows: Row[], entries: Entry[], type: PageType): Promise<Buffer> {
    switch (format) {
      case 'csv':
      case 'tsv':
        return Buffer.from(tableOf(rows, format === 'csv' ? ',' : '\t'))
      case 'jsonl':
        return Buffer.from(rows.map((row, i) => JSON.stringify(typed(row, entries[i]!, type)) + '\n').join(''))
      case 'markdown':
        return this.archive(rows, entries)
      case 'atom':
        return Buffer.from(this.atom(entries, type))
      case 'rss':
        return Buffer.from(await this.rss(entries, type))
    }
  }

  /** A file for each entry, its text as HTML below what else it says, and the pictures that they name. */
  private async archive(rows: Row[], entries: Entry[]): Promise<Buffer> {
    const { stringify: toYaml } = await import('yaml')
    const files: Zippable = {}
    for (const { content = '', ...matter } of rows) {
      const said = Object.fromEntries(Object.entries(matter).filter(([, words]) => words !== ''))
      files[`${matter.slug}.md`] = strToU8(`---\n${toYaml(said)}---\n\n${content}\n`)
    }
    for (const id of new Set(entries.flatMap((e) => picturesOf(e, this.content.catalogue.types.get(e.type))))) {
      const picture = this.content.catalogue.pictures.get(id)
      const found = picture && (await this.media.bytesOf(id))
      if (found) files[`pictures/${picture.fileName}`] = [new Uint8Array(found.bytes), { level: 0 }]
    }
    return new Promise((done, failed) => {
      zip(files, (error, bytes) => (error ? failed(error) : done(Buffer.from(bytes))))
    })
  }

  private atom(entries: Entry[], { plural, slug }: PageType): string {
    const { catalogue, formats } = this.content
    const out = entries.filter((e) => catalogue.isOut(e))
    const title = `${catalogue.site.settings.name}: ${plural}`
    return feedOf(out, { title, address: `/${slug}`, self: null }, 'stored', catalogue, formats)
  }

  private async rss(entries: Entry[], type: PageType): Promise<string> {
    const { XMLBuilder } = await import('fast-xml-parser')
    const { catalogue, formats } = this.content
    const { origin, name, tagline } = catalogue.site.settings
    const item = entries
      .filter((e) => catalogue.isOut(e))
      .map((entry) => {
        const author = entry.person ? catalogue.people.get(entry.person)?.name : undefined
        return {
          title: entry.title,
          link: origin + (catalogue.addressOf(entry.id) ?? ''),
          guid: { '@isPermaLink': 'false', '#text': entry.id },
          pubDate: mailTime(entry.date ? (momentIn(entry.date, 'UTC') ?? 0) : 0),
          description: entry.summary,
          ...(author && { author }),
          category: entry.terms.flatMap((t) => catalogue.terms.get(t)?.title ?? []),
          'content:encoded': contentHtml(entry, catalogue, formats),
        }
      })
    const builder = new XMLBuilder({
      ignoreAttributes: false,
      attributeNamePrefix: '@',
      format: true,
      suppressEmptyNode: true,
    })
    const channel = { title: `${name}: ${type.plural}`, link: origin, description: tagline || type.plural, item }
    const rss = { '@version': '2.0', '@xmlns:content': 'http://purl.org/rss/1.0/modules/content/', channel }
    return `<?xml version="1.0" encoding="utf-8"?>\n${builder.build({ rss })}`
  }
}

/** A row with the values of its fields as JSON has them. */
function typed(row: Row, entry: Entry, type: PageType): Record<string, unknown> {
  const own = type.fields.flatMap((field): [string, unknown][] => {
    const name = Object.hasOwn(row, `field ${field.id}`) ? `field ${field.id}` : field.id
    return [[name, jsonOf(entry.fields[field.id], field, row[name] ?? '')]]
  })
  return { ...row, ...Object.fromEntries(own), published: entry.published }
}

function tableOf(rows: readonly Row[], delimiter: string): string {
  const names = [...new Set(rows.flatMap((row) => Object.keys(row)))]
  const cells = rows.map((row) => names.map((name) => safeCell(row[name] ?? '')))
  // The mark at the beginning tells spreadsheets that it is UTF-8.
  return '\ufeff' + Papa.unparse({ fields: names, data: cells }, { delimiter, newline: '\r\n' }) + '\r\n'
}

function picturesOf(entry: Entry, type: PageType | undefined): string[] {
  const fields = type?.fields.filter((f) => fieldSpec(f.kind).refers === 'picture') ?? []
  const named = fields.flatMap((f) => referredIn(f.kind, entry.fields[f.id]))
  return [entry.picture, ...named].filter((id): id is string => typeof id === 'string')
}
