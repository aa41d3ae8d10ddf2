import { open } from 'node:fs/promises'
import type { IncomingMessage, ServerResponse } from 'node:http'
import { type Answer, SITE_HEADERS, answerOf, isKnown } from './answer'
import { log } from './log'
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
  address: string,
  request: IncomingMessage,
  response: ServerResponse,
): Promise<boolean> {
  const id = FILE.exec(address)?.[1]
  const stored = id ? await media.file(id) : null
  if (!stored) return false
  const { size, mime, fileName, hash, path } = stored
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
  const file = await open(path).catch((error: unknown) => {
    if ((error as NodeJS.ErrnoException).code !== 'ENOENT') throw error
    log('error', 'file-gone', { id, path })
    return null
  })
  // What is stored of it names bytes that are not there: that is told as what it is.
  if (!file) return false
  const end = () => void file.close()
  if (isKnown(request.headers['if-none-match'] ?? '', etag)) {
    end()
    response.writeHead(304, headers).end()
    return true
  }
  // A part goes with parts that were sent before of the same bytes alone (RFC 9110, 13.1.5).
  const goesOn = [undefined, etag].includes(request.headers['if-range'] as string | undefined)
  const range = goesOn ? rangeOf(request.headers.range, size) : null
  if (range === undefined) {
    end()
    response.writeHead(416, { ...headers, 'content-range': `bytes */${size}` }).end()
    return true
  }
  const [from, to] = range ?? [0, size - 1]
  response.writeHead(range ? 206 : 200, {
    ...headers,
    'content-length': to - from + 1,
    ...(range && { 'content-range': `bytes ${from}-${to}/${size}` }),
  })
  if (request.method === 'HEAD') {
    end()
    response.end()
  } else {
    file
      .createReadStream({ start: from, end: to })
      .on('error', () => response.destroy())
      .pipe(response)
  }
  return true
}
