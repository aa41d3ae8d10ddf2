import { open } from 'node:fs/promises'
import { fileTypeFromBuffer } from 'file-type'

/** What a file is, by what stands in it and not by its name. */
export interface Judged {
  /** How it is kept and shown. */
  kind: 'picture' | 'drawing' | 'document' | 'sound' | 'film'
  mime: string
  /** What the name of such a file ends with. */
  ending: string
}

const PICTURES = new Set(['image/jpeg', 'image/png', 'image/webp', 'image/gif', 'image/avif', 'image/tiff'])
const DOCUMENTS = new Set([
  'application/pdf',
  'application/zip',
  'application/epub+zip',
  'application/rtf',
  'application/vnd.openxmlformats-officedocument.wordprocessingml.document',
  'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
  'application/vnd.openxmlformats-officedocument.presentationml.presentation',
  'application/vnd.oasis.opendocument.text',
  'application/vnd.oasis.opendocument.spreadsheet',
  'application/vnd.oasis.opendocument.presentation',
])
const SOUNDS = new Set([
  'audio/mpeg',
  'audio/ogg',
  'audio/wav',
  'audio/flac',
  'audio/x-m4a',
  'audio/mp4',
  'audio/aac',
  'audio/opus',
])
const FILMS = new Set(['video/mp4', 'video/webm', 'video/ogg', 'video/quicktime'])

/** Texts that are told by their names, since nothing in them tells. */
const TEXTS: Readonly<Record<string, string>> = {
  txt: 'text/plain',
  md: 'text/markdown',
  csv: 'text/csv',
  tsv: 'text/tab-separated-values',
  ics: 'text/calendar',
  vcf: 'text/vcard',
  geojson: 'application/geo+json',
  json: 'application/json',
}

const HEAD = 16_384

async function headOf(path: string): Promise<Buffer> {
  const file = await open(path)
  try {
    const { buffer, bytesRead } = await file.read(Buffer.alloc(HEAD), 0, HEAD, 0)
    return buffer.subarray(0, bytesRead)
  } finally {
    await file.close()
  }
}

function textOf(head: Buffer): string | null {
  if (head.includes(0)) return null
  // The last letter may be cut in half.
  return new TextDecoder('utf-8').decode(head)
}

const endingOf = (name: string): string => /\.([a-z0-9]{1,8})$/i.exec(name)?.[1]?.toLowerCase() ?? ''

/** Where the next thing begins behind a comment, an instruction or a declaration; -1 where none of these stands there. */
function behindProlog(text: string, at: number): number {
  const end = (close: string): number => {
    const found = text.indexOf(close, at)
    return found < 0 ? -1 : found + close.length
  }
  if (text.startsWith('<?', at)) return end('?>')
  if (text.startsWith('<!--', at)) return end('-->')
  return text.slice(at, at + 9).toLowerCase() === '<!doctype' ? behindDoctype(text, at) : -1
}

/** Where a document type declaration ends: at its bracket, which does not stand within its own subset. */
export function behindDoctype(text: string, at: number): number {
  const [close, subset] = [text.indexOf('>', at), text.indexOf('[', at)]
  if (close < 0 || subset < 0 || close < subset) return close < 0 ? -1 : close + 1
  const behind = text.indexOf(']', subset)
  const last = behind < 0 ? -1 : text.indexOf('>', behind)
  return last < 0 ? -1 : last + 1
}

/** Whether a text is a drawing, by how it begins; looks at every character once. */
export function looksLikeSvg(text: string): boolean {
  for (let at = text.startsWith('\ufeff') ? 1 : 0; at >= 0 && at < text.length;) {
    if (/\s/.test(text[at]!)) at++
    else if (/^<svg[\s>]/i.test(text.slice(at, at + 5))) return true
    else at = behindProlog(text, at)
  }
  return false
}

/** Judges a file; null when it is of no kind that is taken. */
export async function judge(path: string, name: string): Promise<Judged | null> {
  const head = await headOf(path)
  const type = await fileTypeFromBuffer(head)
  const text = textOf(head)
  if (text !== null && looksLikeSvg(text)) return { kind: 'drawing', mime: 'image/svg+xml', ending: 'svg' }
  if (type) {
    const { mime, ext: ending } = type
    if (PICTURES.has(mime)) return { kind: 'picture', mime, ending }
    if (DOCUMENTS.has(mime)) return { kind: 'document', mime, ending }
    if (SOUNDS.has(mime)) return { kind: 'sound', mime, ending }
    if (FILMS.has(mime)) return { kind: 'film', mime, ending }
    return null
  }
  const ending = endingOf(name)
  // What could be shown as a page of ours is no text.
  if (text === null || !Object.hasOwn(TEXTS, ending) || /<(!doctype|html|script|svg)/i.test(text)) return null
  return { kind: 'document', mime: TEXTS[ending]!, ending }
}

/** A name that is safe in an address and on every disk, with the ending of what the file is. */
export function fileNameOf(name: string, ending: string): string {
  const plain = name
    .split(/[/\\]/)
    .pop()!
    .replace(/\.[a-z0-9]{1,8}$/i, '')
    .normalize('NFC')
    .replace(/[^\p{L}\p{N}._ -]+/gu, '')
    .trim()
    .replace(/\s+/g, '-')
    .replace(/^\.+/, '')
    .slice(0, 100)
  return `${plain || 'file'}.${ending}`
}
