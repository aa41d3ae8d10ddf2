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

/** Whether a text is a drawing, by how it begins. */
export function looksLikeSvg(text: string): boolean {
  const begins = /^(\s|<\?xml[^>]*\?>|<!--[\s\S]*?-->|<!doctype[^>[]*(\[[\s\S]*?\])?[^>]*>)*<svg[\s>]/i
  return begins.test(text.replace(/^\ufeff/, ''))
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
