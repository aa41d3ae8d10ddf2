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
