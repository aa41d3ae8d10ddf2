import { before } from '../../core/text'
import type { IncomingMessage, ServerResponse } from 'node:http'
import { scriptAt } from '../../core/elements'
import { ICONS } from '../../core/machines'
import { STUDIO_PARTS, readAddress, readParameters } from '../../core/addresses'
import { isFull } from '../database/full'
import { onDisk } from '../database/on-disk'
import type { Database } from '../database/open'
import { type Answer, SITE_HEADERS, answerOf, isKnown, redirectTo, sentenceOf } from './answer'
import { deviceOf } from './device'
import { DRAFT_ADDRESS, DRAFT_COOKIE, DraftWalk } from './draft-walk'
import { encodingsOf } from './encoding'
import { log } from './log'
import type { Installation } from './installation'
import type { Lost } from './lost'
import { LEAVES, type Newsletters } from './newsletters'
import { pictureAt, sendFile } from './pictures'
import { NOTICES, hearNotice } from '../shop/notices'
import { type TakesPosts, answerPost } from './posts'
import type { Asking } from './asked'
import { canKeepSession } from '../utils/session'
import { placeOf, protocolOf } from './place'
import { Ready, readyOf } from './ready'

/** Addresses that belong to the studio and its parts; all others are the published site's. */
const STUDIO = new RegExp(`^/(${STUDIO_PARTS.join('|')})(/|$|[?#.])`)

/** Scripts of published pages, and what is offered while visitors type: they lie among what is ours, and are the published site's. */
const SCRIPTS = '/_of/el/'
const OFFERS = '/_of/suggest'
/** Pictures of pages that have none, for where they are shared. */
const CARDS = '/_of/shared/'
const OURS = [SCRIPTS, CARDS, DRAFT_ADDRESS, NOTICES, LEAVES, ICONS]

export function isStudioAddress(url: string): boolean {
  return STUDIO.test(url) && !OURS.some((part) => url.startsWith(part)) && before(url, '?#') !== OFFERS
}

function send(request: IncomingMessage, response: ServerResponse, ready: Ready): void {
  const { answer } = ready
  const asked = request.headers['if-none-match']
  if (asked !== undefined && answer.status === 200 && isKnown(asked, answer.etag)) {
    response.writeHead(304, ready.headers).end()
    return
  }
  if (answer.cookies?.length) response.setHeader('set-cookie', [...answer.cookies])
  const { body, headers } = ready.in(encodingsOf(request.headers['accept-encoding']))
  response.writeHead(answer.status, headers)
  response.end(request.method === 'HEAD' ? undefined : body)
}

/** Who indexes pages is welcome to all of them; what is behind a sign-in is no page. */
const ROBOTS = 'User-agent: *\nDisallow: /studio\nDisallow: /api'

const FOR_EVER = 'public, max-age=31536000, immutable'

/** A script never changes under its address. */
const scriptAnswer = (script: string): Answer =>
  answerOf(
    200,
    {
      'content-type': 'text/javascript; charset=utf-8',
      'cache-control': FOR_EVER,
      vary: 'accept-encoding',
    },
    Buffer.from(script),
  )

const sendAnswer = (request: IncomingMessage, response: ServerResponse, answer: Answer): void =>
  send(request, response, new Ready(answer))

/** Who is signed in to the site by the cookies of a request; null for a visitor. */
export type WhoAsks = (cookies: string | undefined) => Promise<{ id: number; role: string; name: string } | null>

const askingOf = (request: IncomingMessage, who: WhoAsks): Asking => ({
  session: () => who(request.headers.cookie),
  device: () => deviceOf(request.headers),
  at: Date.now(),
  place: placeOf(request.headers, request.socket.remoteAddress),
  cookies: request.headers.cookie,
  keepsCookies: canKeepSession(protocolOf(request.headers), request.headers.host ?? ''),
})

type Visited = TakesPosts &
  Pick<Installation, 'published' | 'media' | 'cards'> & {
    lost?: Pick<Lost, 'note' | 'noteSearch'>
    walk?: Pick<Installation['walk'], 'enter' | 'walkedBy'>
    shop?: { till: Pick<Installation['shop']['till'], 'hear'> }
    founding: { readonly open: boolean }
    newsletters?: Pick<Newsletters, 'answerLeaving'>
    db?: Database
  }

const FULL = 'There is no room left on this server, so nothing was stored. Please try again later.'
const NOT_FOUNDED = 'There is no site here yet. Whoever runs this server founds it in the studio, at /studio.'

async function answerSlowly(
  site: Visited,
  request: IncomingMessage,
  response: ServerResponse,
  who: WhoAsks,
): Promise<void> {
  const address = readAddress(request.url ?? '/')
  if (address.path !== null && (await sendFile(site.media, address.path, request, response))) return
  const script = address.path === null ? null : scriptAt(address.path)
  if (script !== null) return send(request, response, await readyOf(scriptAnswer(script)))
  if (address.path === OFFERS) {
    const [words = ''] = readParameters(address.query).q ?? []
    return send(request, response, await readyOf(await site.published.offers(words)))
  }
  if (address.path === '/robots.txt')
    return send(
      request,
      response,
      await readyOf(sentenceOf(200, `${ROBOTS}\nSitemap: ${site.published.origin}/sitemap.xml`)),
    )
  if (site.walk && address.path?.startsWith(DRAFT_ADDRESS))
    return send(
      request,
      response,
      await readyOf(
        await site.walk.enter(address.path, canKeepSession(protocolOf(request.headers), request.headers.host ?? '')),
      ),
    )
  if (site.newsletters && address.path?.startsWith(LEAVES))
    return send(request, response, await readyOf(await site.newsletters.answerLeaving(address.path, 'GET')))
  if (address.path?.startsWith(CARDS))
    return send(request, response, await readyOf(await cardAnswer(site, address.path)))
  const icon = address.path === null ? null : site.published.icon(address.path)
  if (icon) return send(request, response, await readyOf(await iconAnswer(site, icon, address.path!)))
  const picture = address.path === null ? null : await pictureAt(site.media, address.path)
  if (picture) return send(request, response, await readyOf(picture))
  const file = address.path === null ? null : await site.published.file(address.path)
  if (file) return send(request, response, file)
  const draft = walksDraft(request) ? await site.walk?.walkedBy(request.headers.cookie) : null
  if (draft) {
    const { answer } = await draft.ask(address, askingOf(request, who))
    return send(request, response, await readyOf(DraftWalk.marked(answer)))
  }
  const ready = await site.published.ask(address, askingOf(request, who))
  noteLost(site, request, address.path, ready.answer)
  send(request, response, ready)
}

/** The picture of a page that has none; one that is not the latest leads to that. */
async function cardAnswer({ published, cards }: Visited, path: string): Promise<Answer> {
  const found = await published.card(path)
  if (!found) return sentenceOf(404, 'There is no such picture.')
  const { card, address } = found
  if (path !== decodeURIComponent(address)) return redirectTo(address, 302)
  const png = await cards.draw(path, card)
  if (!png) return sentenceOf(503, 'Too many pictures are being drawn. Ask again in a moment.', { 'retry-after': '5' })
  return answerOf(200, { 'content-type': 'image/png', 'cache-control': FOR_EVER }, png)
}

/** The mark of the site in a size; one that is not the latest leads to that. */
async function iconAnswer(
  { media }: Visited,
  { picture, size, address }: NonNullable<ReturnType<Installation['published']['icon']>>,
  path: string,
): Promise<Answer> {
  if (path !== address) return redirectTo(address, 302)
  const png = await media.icon(picture, size)
  if (!png) return sentenceOf(404, 'There is no such picture.')
  return answerOf(200, { 'content-type': 'image/png', 'cache-control': FOR_EVER }, png)
}

/** Whether a browser may be on a walk through the draft: then nothing that is kept ready is for it. */
const walksDraft = ({ headers }: IncomingMessage): boolean => headers.cookie?.includes(DRAFT_COOKIE) ?? false

/** Somebody leaves a list by a press here or in a mail program; what else they send is not read. */
function leaveBy(newsletters: Pick<Newsletters, 'answerLeaving'>, path: string, request: IncomingMessage) {
  request.resume()
  return newsletters.answerLeaving(path, 'POST')
}

/** What a form of a page sends; one of the draft is tried there. */
async function answerForm(site: Visited, request: IncomingMessage, asking: Asking): Promise<Answer> {
  const draft = walksDraft(request) ? await site.walk?.walkedBy(request.headers.cookie) : null
  if (!draft) return answerPost(site, request, asking)
  return DraftWalk.marked(await answerPost({ ...site, published: draft }, request, asking))
}

/** Counts what leads nowhere. */
function noteLost({ lost }: Visited, { headers }: IncomingMessage, path: string | null, answer: Answer): void {
  if (answer.status === 404 && path !== null) lost?.note(path, headers)
  if (answer.foundNothingFor !== undefined) lost?.noteSearch(answer.foundNothingFor, headers)
}

/**
 * Answers a visitor of the published site: at once when the page is kept ready, else by drawing it. Stands in
 * front of Nitro, whose stack a ready page need not enter.
 */
export function answerVisitor(site: Visited, request: IncomingMessage, response: ServerResponse, who: WhoAsks): void {
  if (site.founding.open) {
    request.resume()
    return sendAnswer(request, response, sentenceOf(503, NOT_FOUNDED, { 'retry-after': '60' }))
  }
  const failed = (error: unknown) => {
    log('error', 'page-failed', { address: request.url, error: String((error as Error)?.stack ?? error) })
    if (response.headersSent) return
    if (isFull(error)) return sendAnswer(request, response, sentenceOf(507, FULL, { 'retry-after': '600' }))
    const sentence = 'Something went wrong while this page was drawn. Please try again.'
    sendAnswer(request, response, sentenceOf(500, sentence))
  }
  if (request.method === 'GET' || request.method === 'HEAD') {
    const ready = walksDraft(request) ? undefined : site.published.readyAt(request.url ?? '/', request.headers.cookie)
    if (ready) {
      noteLost(site, request, null, ready.answer)
      send(request, response, ready)
    } else answerSlowly(site, request, response, who).catch(failed)
    return
  }
  if (request.method === 'POST') {
    const asking = askingOf(request, who)
    const notice = (request.url ?? '').startsWith(NOTICES) ? site.shop?.till : undefined
    const leaves = readAddress(request.url ?? '/').path
    const taken = notice
      ? hearNotice(notice, request)
      : site.newsletters && leaves?.startsWith(LEAVES)
        ? leaveBy(site.newsletters, leaves, request)
        : answerForm(site, request, asking)
    taken
      .then(async (answer) => {
        // Nobody is thanked for what a loss of power would take away.
        if (site.db) await onDisk(site.db)
        sendAnswer(request, response, answer)
      })
      .catch(failed)
    return
  }
  request.resume()
  response.writeHead(405, { ...SITE_HEADERS, allow: 'GET, HEAD', 'content-type': 'text/plain; charset=utf-8' })
  response.end('This address answers GET and HEAD only.\n')
}
