import type { IncomingMessage, ServerResponse } from 'node:http'
import type { Request } from '../../core/frames'
import { STUDIO_PARTS, readAddress, readParameters } from '../../core/site'
import { deviceOf } from './device'
import { takesGzip } from './encoding'
import { log } from './log'
import type { Installation } from './installation'
import { pictureAt } from './pictures'
import { type Needs, type Ready, SITE_HEADERS } from './published'

/** Addresses that belong to the studio and its parts; all others are the published site's. */
const STUDIO = new RegExp(`^/(${STUDIO_PARTS.join('|')})(/|$|[?#.])`)

export function isStudioAddress(url: string): boolean {
  return STUDIO.test(url)
}

function send(request: IncomingMessage, response: ServerResponse, ready: Ready): void {
  const fresh = request.headers['if-none-match']?.includes(ready.etag)
  if (fresh && ready.status === 200) {
    response.writeHead(304, { ...ready.headers, etag: ready.etag }).end()
    return
  }
  const gzip = takesGzip(request.headers['accept-encoding'])
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

/** Who is signed in to the site by the cookies of a request; null for a visitor. */
export type WhoAsks = (cookies: string | undefined) => Promise<{ role: string; name: string } | null>

interface Asked {
  request: Request
  name: string
}

/** Finds out about whoever asks only what the page depends on. */
async function askedBy(needs: Needs, query: string, request: IncomingMessage, who: WhoAsks): Promise<Asked> {
  const visitor = needs.session ? await who(request.headers.cookie) : null
  const asked: Request = {
    role: visitor?.role ?? 'visitor',
    signedIn: visitor !== null,
    device: needs.device ? deviceOf(request.headers) : 'desktop',
    parameters: readParameters(query),
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
  const address = readAddress(request.url ?? '/')
  const picture = address.path === null ? null : await pictureAt(site.db, address.path)
  if (picture) return send(request, response, picture)
  const { published } = site
  const found = published.find(address)
  if ('redirect' in found) {
    return redirect(response, 308, encodeURI(found.redirect) + (address.query && `?${address.query}`))
  }
  const asked = await askedBy(published.needs(found.page), address.query, request, who)
  send(request, response, published.draw(found.page, address.path, asked.request, asked.name))
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
