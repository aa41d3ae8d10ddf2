import { createReadStream } from 'node:fs'
import type { IncomingMessage, ServerResponse } from 'node:http'
import { type Answer, SITE_HEADERS, answerOf } from './answer'
import type { Media } from './media'

/** Pictures are drawn by others, so nothing inside them may load or run. */
const POLICY = "default-src 'none'; style-src 'unsafe-inline'; sandbox"
const NO_SNIFFING = { 'x-content-type-options': 'nosniff' }

const WHOLE = /^\/pictures\/([^/]+)\/[^/]+$/
const SIZED = /^\/pictures\/([^/]+)\/([0-9a-f]{8,64})\/(\d{1,5}\.(?:avif|webp|jpg|png))$/

/**
 * The file of a picture at `/pictures/ID/NAME`, or one of its sizes at `/pictures/ID/HASH/WIDTH.KIND` (a path without
 * escapes); null when there is none. A size never changes under its address.
 */
export async function pictureAt(media: Pick<Media, 'bytesOf'>, path: string): Promise<Answer | null> {
  const sized = SIZED.exec(path)
  const id = sized?.[1] ?? WHOLE.exec(path)?.[1]
  const found = id ? await media.bytesOf(id, sized ? { hash: sized[2]!, name: sized[3]! } : undefined) : null
  if (!found) return null
  const headers = {
    'content-type': found.mime,
    'content-security-policy': POLICY,
    'cache-control': sized ? 'public, max-age=31536000, immutable' : 'public, max-age=3600',
    vary: 'accept-encoding',
    ...NO_SNIFFING,
  }
  return answerOf(200, headers, found.bytes)
}

const FILE = /^\/files\/([^/]+)\/[^/]+$/
/** What browsers show without running anything of it. */
const SHOWN = /^(application\/pdf|audio\/|video\/)/

/** The part of a file that is asked for, first and last byte; null for all of it, undefined where there is none. */
export function rangeOf(asked: string | undefined, size: number): [number, number] | null | undefined {
  const found = /^bytes=(\d*)-(\d*)$/.exec(asked ?? '')
  if (!found || (!found[1] && !found[2])) return null
  const [from, to] = found[1]
    ? [Number(found[1]), found[2] ? Number(found[2]) : size - 1]
    : [Math.max(0, size - Number(found[2])), size - 1]
  return from <= to && from < size ? [from, Math.min(to, size - 1)] : undefined
}

/** Sends a document, a sound or a film, whole or the part that is asked for; gives whether there is one at the path. */
export async function sendFile(
  media: Pick<Media, 'file'>,
  path: string,
  request: IncomingMessage,
  response: ServerResponse,
): Promise<boolean> {
  const id = FILE.exec(path)?.[1]
  const file = id ? await media.file(id) : null
  if (!file) return false
  const { size, mime, fileName, hash } = file
  const etag = `"${hash.slice(0, 32)}"`
  const headers = {
    ...SITE_HEADERS,
    ...NO_SNIFFING,
    'content-type': mime.startsWith('text/') ? `${mime}; charset=utf-8` : mime,
    'content-security-policy': `${POLICY}`,
    'content-disposition': `${SHOWN.test(mime) ? 'inline' : 'attachment'}; filename*=UTF-8''${encodeURIComponent(fileName)}`,
    'cache-control': 'public, max-age=3600',
    'accept-ranges': 'bytes',
    etag,
  }
  if (request.headers['if-none-match']?.includes(etag)) {
    response.writeHead(304, headers).end()
    return true
  }
  const range = rangeOf(request.headers.range, size)
  if (range === undefined) {
    response.writeHead(416, { ...headers, 'content-range': `bytes */${size}` }).end()
    return true
  }
  const [from, to] = range ?? [0, size - 1]
  response.writeHead(range ? 206 : 200, {
    ...headers,
    'content-length': to - from + 1,
    ...(range && { 'content-range': `bytes ${from}-${to}/${size}` }),
  })
  if (request.method === 'HEAD') response.end()
  else
    createReadStream(file.path, { start: from, end: to })
      .on('error', () => response.destroy())
      .pipe(response)
  return true
}
