import { before, withoutEnd } from '../text'

/** Addresses: which links may be drawn, and how slugs and paths are made. */

const SCHEMES = /^(https?:\/\/[^\s/]|mailto:[^\s]|tel:[+\d])/i
const PATH = /^(\/(?![/\\])|[?#])[^\s\\]*$/

/**
 * The address if it may stand in a link (http, https, mailto, tel, a path on this site, a query or a
 * fragment), else null. Browsers drop control characters and blanks inside schemes, so any of them refuses.
 */
export function safeAddress(address: string): string | null {
  const trimmed = address.trim()
  if (!trimmed || [...trimmed].some((c) => c <= ' ' || c === '\x7f')) return null
  return SCHEMES.test(trimmed) || PATH.test(trimmed) ? trimmed : null
}

/** Accents on Latin and Greek letters, which are written without them in addresses. */
const ACCENTS = /([\p{Script=Latin}\p{Script=Greek}])[\u0300-\u036f]+/gu
/** What does not stand in a slug: all but letters, marks and digits of any script. */
const BETWEEN = /[^\p{Ll}\p{Lo}\p{Lm}\p{M}\p{N}]+/gu
const MOST_SLUG = 80

/**
 * A slug: small letters and digits of any script, in runs joined by single hyphens, in NFC as addresses are asked for.
 * Marks without which words of their script cannot be read stay.
 */
export function slugOf(text: string): string {
  const slug = text
    .normalize('NFKC')
    .toLowerCase()
    .normalize('NFD')
    .replace(ACCENTS, '$1')
    .normalize('NFC')
    .replace(/['’\u200c\u200d]/g, '')
    .replace(BETWEEN, '-')
    .replace(/^[-\p{M}]+/u, '')
  return withoutEnd(cutSlug(slug), '-')
}

/** As much of a slug as an address takes; no letter is parted from its marks. */
function cutSlug(slug: string): string {
  if (slug.length <= MOST_SLUG) return slug
  const letters = slug.match(/[^\p{M}]\p{M}*/gu) ?? []
  let cut = ''
  for (const letter of letters) {
    if (cut.length + letter.length > MOST_SLUG) break
    cut += letter
  }
  return cut
}

const SLUG = /^[\p{Ll}\p{Lo}\p{Lm}\p{N}][\p{Ll}\p{Lo}\p{Lm}\p{M}\p{N}]*(-[\p{Ll}\p{Lo}\p{Lm}\p{M}\p{N}]+)*$/u

export function isSlug(text: string): boolean {
  return text.length > 0 && text.length <= MOST_SLUG && SLUG.test(text)
}

/** Joins parts into a site path: `/a/b`; no parts give `/`. Empty parts are left out. */
export function pathOf(...parts: string[]): string {
  return '/' + parts.filter(Boolean).join('/').normalize('NFC')
}

/** The parameters of an address by name, each with all its values, in their order. */
export type Parameters = Readonly<Record<string, readonly string[]>>

/** Only so many parameters count, everywhere. */
export const MOST_PARAMETERS = 50
/** No form asks more; as many values come as the largest form with several answers to each question sends. */
const MOST_FIELDS = 5000
/** No page has a longer address; what is longer is not looked at any closer. */
const MOST_ADDRESS = 2000

/** What every platform of ours has for parameters; the language itself does not name it. */
type Pairs = Iterable<[string, string]> & { toString(): string }
const { URLSearchParams } = globalThis as unknown as { URLSearchParams: new (init: string | string[][]) => Pairs }

export const readParameters = (query: string): Parameters => readPairs(query, MOST_PARAMETERS)

/** What a form sends, by the names of its fields; the limit of address parameters does not hold for it. */
export const readFields = (body: string): Parameters => readPairs(body, MOST_FIELDS)

function readPairs(text: string, most: number): Parameters {
  const found = new Map<string, string[]>()
  let count = 0
  for (const [name, value] of new URLSearchParams(text)) {
    if (++count > most) break
    const values = found.get(name)
    if (values) values.push(value)
    else found.set(name, [value])
  }
  return Object.fromEntries(found)
}

/** Parameters as they stand in an address, without the question mark; one without a value is its name alone. */
export function writeParameters(parameters: Parameters): string {
  const pairs = Object.entries(parameters).flatMap(([name, values]) => values.map((value) => [name, value]))
  return new URLSearchParams(pairs).toString().replace(/=(?=&|$)/g, '')
}

export interface AskedAddress {
  /** Without escapes and without a slash at its end, as pages have them; null where no page can have it. */
  path: string | null
  /** It ended with a slash, which the page's own address does not. */
  slash: boolean
  /** What follows the question mark, as it came. */
  query: string
}

/**
 * The one way to read an address that was asked for: a path with its parameters, or all of an address from its
 * scheme on. What cannot be read is no page's address, and nothing is refused.
 */
export function readAddress(asked: string): AskedAddress {
  const scheme = /^https?:\/\//i.exec(asked)?.[0].length ?? 0
  const rest = scheme > 0 ? asked.slice(scheme + before(asked.slice(scheme), '/?#').length) : asked
  const [whole, query] = cut(cut(rest, '#')[0], '?')
  const raw = whole || '/'
  const slash = raw.length > 1 && raw.endsWith('/')
  const path = raw.length > MOST_ADDRESS ? null : decoded(slash ? raw.slice(0, -1) : raw)
  // Two slashes are not home with a slash too many.
  const isPage = path !== null && isPath(path) && !(slash && path === '/')
  return { path: isPage ? path : null, slash, query }
}

function cut(text: string, at: string): [string, string] {
  const i = text.indexOf(at)
  return i < 0 ? [text, ''] : [text.slice(0, i), text.slice(i + 1)]
}

/** A slash that is escaped is part of a name, and no name of ours has one. */
function decoded(path: string): string | null {
  if (/%(2f|5c|00)/i.test(path)) return null
  try {
    return decodeURIComponent(path).normalize('NFC')
  } catch (error) {
    if (error instanceof URIError) return null
    throw error
  }
}

const isPath = (path: string): boolean =>
  path === '/' || (path.startsWith('/') && !path.includes('//') && !path.endsWith('/'))

/** First parts of addresses that belong to the studio and to what every site has; no page of one's own can have them. */
export const STUDIO_PARTS = ['studio', 'api', '_nuxt', '_of', '__nuxt', '_vfs', '_ipx'] as const
export const SITE_PARTS = [
  'pictures',
  'files',
  'people',
  'search',
  'basket',
  'checkout',
  'receipt',
  'order',
  'sign-in',
  'member',
] as const

/** First parts of addresses that belong to the studio and to the site itself. */
export const RESERVED_PARTS: ReadonlySet<string> = new Set([...STUDIO_PARTS, ...SITE_PARTS])
