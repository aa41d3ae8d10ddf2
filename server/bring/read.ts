import { mkdir, readFile, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import { Unzip, UnzipInflate, type UnzipFile } from 'fflate'
import { fail } from '../../core/problems'
import { textOf } from './decode'
import { readFeed, readJson, readLines, readMarkdown, readTable } from './formats'
import { type Row, type Sheet, sheetOf } from './sheet'

/** What a file holds, by its name and by what stands in it. */
const endingOf = (name: string): string => /\.([a-z0-9]+)$/i.exec(name)?.[1]?.toLowerCase() ?? ''

const MOST_FILES = 20_000
/** Bytes that a zip may hold in all, and that one file in it may have. */
const MOST_UNPACKED = 800_000_000
const MOST_EACH = 60_000_000

const isZip = (bytes: Uint8Array): boolean => bytes[0] === 0x50 && bytes[1] === 0x4b

function rowsOf(bytes: Uint8Array, name: string, encoding?: string): { format: Sheet['format']; rows: Row[] } {
  const text = textOf(bytes, encoding)
  const ending = endingOf(name)
  if (ending === 'md' || ending === 'markdown') return { format: 'markdown', rows: [readMarkdown(text, name)] }
  if (ending === 'jsonl' || ending === 'ndjson') return { format: 'jsonl', rows: readLines(text) }
  if (ending === 'json' || ending === 'geojson' || /^\s*[[{]/.test(text))
    return { format: 'jsonl', rows: readJson(text) ?? readLines(text) }
  if (ending === 'xml' || ending === 'atom' || ending === 'rss' || /^\s*<(\?xml|rss|feed|rdf:RDF)/i.test(text))
    return { format: 'feed', rows: readFeed(text) }
  if (ending === 'tsv' || ending === 'tab') return { format: 'tsv', rows: readTable(text, '\t') }
  if (ending === 'csv' || ending === 'txt') return { format: 'csv', rows: readTable(text, '') }
  return fail('sheet-wrong', { why: 'its name ends with nothing that is read: csv, tsv, json, jsonl, md, xml or zip' })
}

/** Reads what is brought along. Pictures in a zip are written into `folder`. */
export async function readSheet(path: string, name: string, folder: string, encoding?: string): Promise<Sheet> {
  const bytes = await readFile(path)
  if (bytes.length === 0) fail('file-empty')
  if (isZip(bytes)) return readZip(bytes, folder, encoding)
  if (bytes.subarray(0, 4000).includes(0) && !/^(\ufeff)?[\x20-\x7e\s]/.test(textOf(bytes.subarray(0, 400), encoding)))
    fail('sheet-wrong', { why: 'it holds no text' })
  const { format, rows } = rowsOf(bytes, name, encoding)
  return sheetOf(format, rows)
}

const PICTURE = /\.(jpe?g|png|webp|gif|avif|tiff?|svg)$/i
const READ = /\.(md|markdown|csv|tsv|tab|json|geojson|jsonl|ndjson|xml|atom|rss)$/i

/** Files that systems write beside others, and what could lie outside of the folder. */
const isNoise = (name: string): boolean => /(^|\/)(__MACOSX|\.[^/]*|Thumbs\.db)/.test(name) || name.endsWith('/')
const isOutside = (name: string): boolean => /(^|[/\\])\.\.([/\\]|$)|^[/\\]|^[a-z]:/i.test(name) || name.includes('\0')

/** The files of a zip, unpacked one by one and counted as they come, whatever it says of itself. */
function unpack(bytes: Uint8Array): { name: string; bytes: Uint8Array }[] {
  const found: { name: string; bytes: Uint8Array }[] = []
  let [count, total] = [0, 0]
  let wrong: unknown
  let large = false
  const unzip = new Unzip((file: UnzipFile) => {
    if (++count > MOST_FILES) fail('sheet-wrong', { why: `it holds more than ${MOST_FILES} files` })
    if (isOutside(file.name))
      fail('sheet-wrong', { why: `it names a file outside of itself: ${file.name.slice(0, 60)}` })
    if (isNoise(file.name) || !(PICTURE.test(file.name) || READ.test(file.name))) return
    const parts: Uint8Array[] = []
    let size = 0
    file.ondata = (error, chunk, final) => {
      if (error) wrong = error
      if (error || wrong || large) return
      size += chunk.length
      total += chunk.length
      if (size > MOST_EACH || total > MOST_UNPACKED) {
        large = true
        parts.length = 0
        return file.terminate()
      }
      parts.push(chunk)
      if (final) found.push({ name: file.name, bytes: Buffer.concat(parts) })
    }
    file.start()
  })
  unzip.register(UnzipInflate)
  const STEP = 65_536
  try {
    for (let at = 0; at < bytes.length && !large; at += STEP)
      unzip.push(bytes.subarray(at, at + STEP), at + STEP >= bytes.length)
  } catch (error) {
    if (error instanceof Error && 'problem' in error) throw error
    wrong = error
  }
  if (large)
    fail('sheet-wrong', { why: `it unpacks to more than ${MOST_UNPACKED / 1_000_000} MB, or a file in it does` })
  if (wrong) fail('sheet-wrong', { why: 'it is damaged or cut off' })
  return found
}

async function readZip(bytes: Uint8Array, folder: string, encoding?: string): Promise<Sheet> {
  const files = unpack(bytes)
  const texts = files.filter((f) => READ.test(f.name))
  if (texts.length === 0)
    fail('sheet-wrong', { why: 'it holds no file that is read: csv, tsv, json, jsonl, md or xml' })
  const rows = texts.flatMap((f) => rowsOf(f.bytes, f.name, encoding).rows)
  const pictures: Sheet['pictures'] = []
  await mkdir(folder, { recursive: true, mode: 0o700 })
  for (const [i, file] of files.filter((f) => PICTURE.test(f.name)).entries()) {
    const path = join(folder, String(i))
    await writeFile(path, file.bytes, { mode: 0o600 })
    pictures.push({ name: file.name, path })
  }
  return sheetOf('zip', rows, pictures)
}
