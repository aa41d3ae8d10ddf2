import { createReadStream } from 'node:fs'
import { mkdir, open, readFile, stat, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import { Unzip, UnzipInflate, type UnzipFile } from 'fflate'
import { ProblemError, fail } from '../../core/problems'
import { textOf } from './decode'
import { readFeed, readJson, readLines, readMarkdown, readTable } from './formats'
import { type Row, Rows, type Sheet } from './sheet'

/** What a file holds, by its name and by what stands in it. */
const endingOf = (name: string): string => /\.([a-z0-9]+)$/i.exec(name)?.[1]?.toLowerCase() ?? ''

const MOST_FILES = 20_000
/** Bytes that a zip may hold in all, and that one file may have, in it or by itself. */
const MOST_UNPACKED = 800_000_000
const MOST_EACH = 60_000_000
/** So small a part of a zip unpacks to little more than a thousand times as much. */
const STEP = 16_384
const DAMAGED = 'it is damaged or cut off'

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

/** So many bytes of a file from where it begins, or before its end. */
async function someBytes(path: string, count: number, from: 'start' | 'end'): Promise<Buffer> {
  const file = await open(path)
  try {
    const at = from === 'start' ? 0 : Math.max(0, (await file.stat()).size - count)
    const { buffer, bytesRead } = await file.read(Buffer.alloc(count), 0, count, at)
    return buffer.subarray(0, bytesRead)
  } finally {
    await file.close()
  }
}

/** A zip that is whole ends with a list of what is in it, and a comment of 64 KiB at most behind that. */
const LIST_ENDS = Buffer.from('PK\x05\x06', 'latin1')
const isWhole = async (path: string): Promise<boolean> => (await someBytes(path, 65_600, 'end')).includes(LIST_ENDS)

const PICTURE = /\.(jpe?g|png|webp|gif|avif|tiff?|svg)$/i
const READ = /\.(md|markdown|csv|tsv|tab|json|geojson|jsonl|ndjson|xml|atom|rss)$/i

/** Files that systems write beside others, and what could lie outside of the folder. */
const isNoise = (name: string): boolean => /(^|\/)(__MACOSX|\.[^/]*|Thumbs\.db)/.test(name) || name.endsWith('/')
const isOutside = (name: string): boolean => /(^|[/\\])\.\.([/\\]|$)|^[/\\]|^[a-z]:/i.test(name) || name.includes('\0')

const WRONG_SIZE = `it unpacks to more than ${MOST_UNPACKED / 1_000_000} MB, or a file in it to more than ${MOST_EACH / 1_000_000} MB`

/**
 * Hands on the files of a zip one by one as they are unpacked, counted as they come, whatever it says of itself: no more
 * than one of them is held at a time.
 */
async function unpack(path: string, take: (name: string, bytes: Buffer) => Promise<void>): Promise<void> {
  const ready: { name: string; bytes: Buffer }[] = []
  let [count, total] = [0, 0]
  let wrong: { why: string } | { error: unknown } | null = null
  const unzip = new Unzip((file: UnzipFile) => {
    if (++count > MOST_FILES) fail('sheet-wrong', { why: `it holds more than ${MOST_FILES} files` })
    if (isOutside(file.name))
      fail('sheet-wrong', { why: `it names a file outside of itself: ${file.name.slice(0, 60)}` })
    if (isNoise(file.name) || !(PICTURE.test(file.name) || READ.test(file.name))) return
    const parts: Uint8Array[] = []
    let size = 0
    file.ondata = (error, chunk, final) => {
      if (error) wrong ??= { why: DAMAGED }
      if (wrong) return
      size += chunk.length
      total += chunk.length
      if (size > MOST_EACH || total > MOST_UNPACKED) {
        wrong = { why: WRONG_SIZE }
        parts.length = 0
        return file.terminate()
      }
      parts.push(chunk)
      if (final) ready.push({ name: file.name, bytes: Buffer.concat(parts) })
    }
    file.start()
  })
  unzip.register(UnzipInflate)
  const push = (bytes: Uint8Array, isLast: boolean) => {
    try {
      unzip.push(bytes, isLast)
    } catch (error) {
      wrong ??= error instanceof ProblemError ? { error } : { why: DAMAGED }
    }
  }
  for await (const chunk of createReadStream(path, { highWaterMark: STEP }) as AsyncIterable<Buffer>) {
    push(chunk, false)
    if (wrong) break
    for (const { name, bytes } of ready.splice(0)) await take(name, bytes)
  }
  if (!wrong) push(new Uint8Array(), true)
  const found = wrong as { why: string } | { error: unknown } | null
  if (found && 'error' in found) throw found.error
  if (found) fail('sheet-wrong', { why: found.why })
  for (const { name, bytes } of ready) await take(name, bytes)
}

async function readZip(path: string, folder: string, encoding?: string): Promise<Sheet> {
  const rows = new Rows()
  const pictures: Sheet['pictures'] = []
  if (!(await isWhole(path))) fail('sheet-wrong', { why: DAMAGED })
  let texts = 0
  await mkdir(folder, { recursive: true, mode: 0o700 })
  await unpack(path, async (name, bytes) => {
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
