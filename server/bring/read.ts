import { mkdir, readFile, stat, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import { fail } from '../../core/problems'
import { textOf } from './decode'
import { readFeed, readJson, readLines, readMarkdown, readTable } from './formats'
import { type Row, Rows, type Sheet } from './sheet'
import { DAMAGED, MOST_EACH, isWhole, someBytes, unpack } from './unpack'

/** What a file holds, by its name and by what stands in it. */
const endingOf = (name: string): string => /\.([a-z0-9]+)$/i.exec(name)?.[1]?.toLowerCase() ?? ''

const isZip = (bytes: Uint8Array): boolean => bytes[0] === 0x50 && bytes[1] === 0x4b

/** Reads rows out of a text, and says in what format they stood there. */
function readRows(bytes: Uint8Array, name: string, into: Rows, encoding?: string): Sheet['format'] {
  const text = textOf(bytes, encoding)
  const ending = endingOf(name)
  const take = (format: Sheet['format'], rows: Iterable<Row>) => {
    into.addAll(rows)
    return format
  }
  const table = (format: 'csv' | 'tsv', delimiter: '' | '\t') => {
    readTable(text, delimiter, (row) => into.add(row))
    return format
  }
  if (ending === 'md' || ending === 'markdown') return take('markdown', [readMarkdown(text, name)])
  if (ending === 'jsonl' || ending === 'ndjson') return take('jsonl', readLines(text))
  if (ending === 'json' || ending === 'geojson' || /^\s*[[{]/.test(text))
    return take('jsonl', readJson(text) ?? readLines(text))
  if (ending === 'xml' || ending === 'atom' || ending === 'rss' || /^\s*<(\?xml|rss|feed|rdf:RDF)/i.test(text))
    return take('feed', readFeed(text))
  if (ending === 'tsv' || ending === 'tab') return table('tsv', '\t')
  if (ending === 'csv' || ending === 'txt') return table('csv', '')
  return fail('sheet-wrong', { why: 'its name ends with nothing that is read: csv, tsv, json, jsonl, md, xml or zip' })
}

/** Reads what is brought along. Pictures in a zip are written into `folder`. */
export async function readSheet(path: string, name: string, folder: string, encoding?: string): Promise<Sheet> {
  const head = await someBytes(path, 4, 'start')
  if (head.length === 0) fail('file-empty')
  if (isZip(head)) return readZip(path, folder, encoding)
  if ((await stat(path)).size > MOST_EACH)
    fail('sheet-wrong', { why: `it is larger than ${MOST_EACH / 1_000_000} MB; split it, and bring the parts` })
  const bytes = await readFile(path)
  if (bytes.subarray(0, 4000).includes(0) && !/^(\ufeff)?[\x20-\x7e\s]/.test(textOf(bytes.subarray(0, 400), encoding)))
    fail('sheet-wrong', { why: 'it holds no text' })
  const rows = new Rows()
  return rows.sheet(readRows(bytes, name, rows, encoding))
}

const PICTURE = /\.(jpe?g|png|webp|gif|avif|tiff?|svg)$/i
const READ = /\.(md|markdown|csv|tsv|tab|json|geojson|jsonl|ndjson|xml|atom|rss)$/i

async function readZip(path: string, folder: string, encoding?: string): Promise<Sheet> {
  const rows = new Rows()
  const pictures: Sheet['pictures'] = []
  if (!(await isWhole(path))) fail('sheet-wrong', { why: DAMAGED })
  let texts = 0
  await mkdir(folder, { recursive: true, mode: 0o700 })
  const wants = (name: string) => PICTURE.test(name) || READ.test(name)
  await unpack(path, wants, async (name, bytes) => {
    if (READ.test(name)) {
      texts++
      readRows(bytes, name, rows, encoding)
      return
    }
    const at = join(folder, String(pictures.length))
    await writeFile(at, bytes, { mode: 0o600 })
    pictures.push({ name, path: at })
  })
  if (texts === 0) fail('sheet-wrong', { why: 'it holds no file that is read: csv, tsv, json, jsonl, md or xml' })
  return rows.sheet('zip', pictures)
}
