import type { IncomingMessage, ServerResponse } from 'node:http'
import type { Request } from '../../core/frames'
import { deviceOf } from './device'
import { log } from './log'
import type { Installation } from './installation'
import { pictureAt } from './pictures'
import { type Needs, type Ready, SITE_HEADERS } from './published'

/** Addresses that belong to the studio and its parts; all others are the published site's. */
const STUDIO = /^\/(studio|api|_nuxt|_of|__nuxt|_vfs|_ipx)(\/|$|[?.])/

export function isStudioAddress(url: string): boolean {
  return STUDIO.test(url)
}

function send(request: IncomingMessage, response: ServerResponse, ready: Ready): void {
  const fresh = request.headers['if-none-match']?.includes(ready.etag)
  if (fresh && ready.status === 200) {
    response.writeHead(304, { ...ready.headers, etag: ready.etag }).end()
    return
  }
  const gzip = /\bgzip\b/.test(String(request.headers['accept-encoding'] ?? ''))
  const body = gzip ? ready.gzip : ready.body
  response.writeHead(ready.status, {
    ...ready.headers,
    etag: ready.etag,
    ...(gzip && { 'content-encoding': 'gzip' }),
    'content-length': body.length,
  })
  response.end(request.method === 'HEAD' ? undefined : body)
}

function redirect(response: ServerResponse, status: number, to: string): void {
  response.writeHead(status, { ...SITE_HEADERS, location: to, 'content-length': 0 }).end()
}

function plain(response: ServerResponse, status: number, sentence: string, more: Record<string, string> = {}): void {
  response
    .writeHead(status, { ...SITE_HEADERS, ...more, 'content-type': 'text/plain; charset=utf-8' })
    .end(sentence + '\n')
}

/** A path without escapes and without parameters, or null when it cannot be read. */
function readPath(pathname: string): string | null {
  try {
    return decodeURIComponent(pathname).normalize('NFC')
  } catch {
    return null
  }
}

/** Who is signed in to the site, told by whoever can read the session; null for a visitor. */
export type WhoAsks = (
  request: IncomingMessage,
  response: ServerResponse,
) => Promise<{ role: string; name: string } | null>

interface Asked {
  request: Request
  name: string
}

/** Finds out about whoever asks only what the page depends on. */
async function askedBy(
  needs: Needs,
  url: URL,
  request: IncomingMessage,
  response: ServerResponse,
  who: WhoAsks,
): Promise<Asked> {
  const visitor = needs.session ? await who(request, response) : null
  const asked: Request = {
    role: visitor?.role ?? 'visitor',
    signedIn: visitor !== null,
    device: needs.device ? deviceOf(request.headers) : 'desktop',
    parameters: Object.fromEntries([...url.searchParams].slice(0, 50)),
    at: Date.now(),
  }
  return { request: asked, name: visitor?.name ?? '' }
}

async function answerSlowly(
  site: Installation,
  request: IncomingMessage,
  response: ServerResponse,
  who: WhoAsks,
): Promise<void> {
  const url = new URL(request.url ?? '/', 'http://site')
  const path = readPath(url.pathname)
  if (path === null) return plain(response, 400, 'This address cannot be read.')
  if (path.startsWith('/pictures/')) {
    const picture = await pictureAt(site.db, path).catch(() => null)
    if (picture) return send(request, response, picture)
  }
  const { published } = site
  const found = published.find(path)
  if ('redirect' in found) return redirect(response, 308, encodeURI(found.redirect) + url.search)
  const asked = await askedBy(published.needs(found.page), url, request, response, who)
  send(request, response, published.draw(found.page, path, asked.request, asked.name))
}

/**
 * Answers a visitor of the published site: at once when the page is kept ready, else by drawing it. Stands in
 * front of Nitro, whose stack a ready page need not enter.
 */
export function answerVisitor(
  site: Installation,
  request: IncomingMessage,
  response: ServerResponse,
  who: WhoAsks,
): void {
  if (request.method !== 'GET' && request.method !== 'HEAD') {
    request.resume()
    return plain(response, 405, 'This address answers GET and HEAD only.', { allow: 'GET, HEAD' })
  }
  const ready = site.published.readyAt(request.url ?? '/')
  if (ready) return send(request, response, ready)
  answerSlowly(site, request, response, who).catch((error: unknown) => {
    log('error', 'page-failed', { address: request.url, error: String((error as Error)?.stack ?? error) })
    if (!response.headersSent) plain(response, 500, 'Something went wrong while this page was drawn. Please try again.')
  })
}
