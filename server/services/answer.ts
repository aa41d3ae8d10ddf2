import { createHash } from 'node:crypto'
import type { Need } from '../../core/conditions'
import { effectsOf } from './effects'

/** What an answer depended on besides its address, the released design and the content. */
export interface Depends {
  needs: ReadonlySet<Need>
  /** Names of the address parameters that it read; what others say makes no difference. */
  parameters: ReadonlySet<string>
  /** What was read of the catalogue, by keys: see `Catalogue.watch`. */
  seen?: ReadonlySet<string>
}

/** An answer of the published site, to whomever it goes: a browser, a file, a test. */
export interface Answer {
  status: number
  headers: Readonly<Record<string, string>>
  body: Buffer
  etag: string
  depends: Depends
  /** Cookies that go along. */
  cookies?: readonly string[]
  /** What was searched for, where nothing was found. */
  foundNothingFor?: string
}

/** Headers of every answer of the published site. Pages carry no script, and none may run. */
export const SITE_HEADERS: Readonly<Record<string, string>> = {
  'x-content-type-options': 'nosniff',
  'referrer-policy': 'strict-origin-when-cross-origin',
  'cross-origin-opener-policy': 'same-origin',
  'cross-origin-resource-policy': 'same-origin',
  'permissions-policy': 'camera=(), microphone=(), geolocation=()',
}

export const NOTHING: Depends = { needs: new Set(), parameters: new Set() }

const hash = (text: string | Buffer): string => createHash('sha256').update(text).digest('base64')

export function answerOf(
  status: number,
  headers: Readonly<Record<string, string>>,
  body: Buffer,
  depends: Depends = NOTHING,
): Answer {
  return {
    status,
    headers: { ...SITE_HEADERS, ...headers },
    body,
    etag: `W/"${hash(body).slice(0, 27)}"`,
    depends,
  }
}

/** The same answer with other headers. */
export const withHeaders = (answer: Answer, headers: Record<string, string>): Answer => ({
  ...answer,
  headers: { ...answer.headers, ...headers },
})

/** Leads somebody on after what they sent, with cookies where there are some. */
export const ledOn = (to: string, ...cookies: (string | null | undefined)[]): Answer => ({
  ...withHeaders(redirectTo(to, 303), { 'cache-control': 'no-store' }),
  cookies: cookies.filter((c): c is string => typeof c === 'string'),
})

const TEXT = 'text/plain; charset=utf-8'

/** An answer that is one sentence. */
export function sentenceOf(status: number, sentence: string, headers: Record<string, string> = {}): Answer {
  return answerOf(status, { ...headers, 'content-type': TEXT }, Buffer.from(`${sentence}\n`))
}

export function redirectTo(location: string, status = 308): Answer {
  return answerOf(status, { location }, Buffer.alloc(0))
}

/** The content policy of a page whose CSS stands in it; scripts may come from the site's own addresses, where it has any. */
export function policyFor(css: string, scripted: boolean, leadsTo: readonly string[] = []): string {
  return (
    `default-src 'none'; img-src 'self' data:; media-src 'self'; font-src 'self'; connect-src 'self'; style-src 'sha256-${hash(css)}'; ${scripted ? "script-src 'self'; " : ''}` +
    `form-action ${["'self'", ...leadsTo].join(' ')}; base-uri 'none'; frame-ancestors 'self'`
  )
}

/**
 * What caches may do with an answer. Every copy asks again before it is used, so a change of the date is seen;
 * what depends on who is signed in is never shared.
 */
export function cacheHeaders({ needs }: Depends): Record<string, string> {
  const effects = effectsOf(needs)
  const vary = new Set(['accept-encoding', ...effects.flatMap((effect) => effect.vary || [])])
  const hints = effects.flatMap((effect) => effect.hints ?? [])
  return {
    'cache-control': effects.some((effect) => effect.own) ? 'private, no-cache' : 'public, max-age=0, must-revalidate',
    vary: [...vary].join(', '),
    ...(hints.length > 0 && { 'accept-ch': hints.join(', ') }),
  }
}

/** Whether whoever asks has what is there (RFC 9110, 13.1.2): one of those they name, or any, which `*` says. */
export const isKnown = (ifNoneMatch: string, etag: string): boolean =>
  ifNoneMatch.trim() === '*' ||
  ifNoneMatch.split(',').some((one) => one.trim().replace(/^W\//, '') === etag.replace(/^W\//, ''))
