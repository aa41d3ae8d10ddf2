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

/** A slug: lower-case letters and digits of any script, in runs joined by single hyphens. */
export function slugOf(text: string): string {
  return text
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/['’]/g, '')
    .replace(/[^\p{Ll}\p{Lo}\p{N}]+/gu, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 80)
    .replace(/-+$/, '')
}

export function isSlug(text: string): boolean {
  return text.length > 0 && text.length <= 80 && /^[\p{Ll}\p{Lo}\p{N}]+(-[\p{Ll}\p{Lo}\p{N}]+)*$/u.test(text)
}

/** Joins parts into a site path: `/a/b`; no parts give `/`. Empty parts are left out. */
export function pathOf(...parts: string[]): string {
  return '/' + parts.filter(Boolean).join('/')
}

/** The parameters of an address by name, each with all its values, in their order. */
export type Parameters = Readonly<Record<string, readonly string[]>>

/** Only so many parameters count, everywhere. */
export const MOST_PARAMETERS = 50
/** No page has a longer address; what is longer is not looked at any closer. */
const MOST_ADDRESS = 2000

/** What every platform of ours has for parameters; the language itself does not name it. */
type Pairs = Iterable<[string, string]> & { toString(): string }
const { URLSearchParams } = globalThis as unknown as { URLSearchParams: new (init: string | string[][]) => Pairs }

export function readParameters(query: string): Parameters {
  const found = new Map<string, string[]>()
  for (const [name, value] of [...new URLSearchParams(query)].slice(0, MOST_PARAMETERS)) {
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
  const [, , rest] = /^(https?:\/\/[^/?#]*)?(.*)$/is.exec(asked)!
  const [whole, query] = cut(cut(rest!, '#')[0], '?')
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
