import type { IncomingHttpHeaders } from 'node:http'

/** From where a request comes, as limits count it, and how the other end speaks. */

/**
 * Through how many proxies of one's own requests come: each adds, at the right of `X-Forwarded-For`, whom it heard. What
 * stands further left was said by whoever asks, and is believed by nobody. `yes` is one.
 */
export function trustedHops(setting = process.env.OUTER_FRAME_TRUST_PROXY): number {
  if (setting === 'yes') return 1
  return setting !== undefined && /^[1-9]$/.test(setting) ? Number(setting) : 0
}

const HOPS = trustedHops()

/** An address as it is counted: one of IPv6 by its network (/64), which is what one household or machine is given. */
export function countedAddress(address: string): string {
  const plain = address
    .trim()
    .replace(/^\[|\](:\d+)?$/g, '')
    .replace(/^::ffff:(?=\d+\.)/i, '')
  if (!plain.includes(':')) return plain
  const [head = '', tail] = plain.toLowerCase().split('%')[0]!.split('::')
  const [first, last] = [head, tail ?? ''].map((part) => (part === '' ? [] : part.split(':')))
  const zeros =
    tail === undefined ? [] : Array.from({ length: Math.max(0, 8 - first!.length - last!.length) }, () => '0')
  const groups = [...first!, ...zeros, ...last!].slice(0, 4)
  return `${groups.map((group) => group.replace(/^0+(?=.)/, '')).join(':')}::/64`
}

/** The address of whoever asks, through as many proxies as are trusted. */
export function placeOf(headers: IncomingHttpHeaders, remote: string | undefined, hops = HOPS): string {
  const told = hops > 0 ? String(headers['x-forwarded-for'] ?? '').split(',') : []
  const own = told.length >= hops && hops > 0 ? told[told.length - hops]!.trim() : ''
  return countedAddress(own || (remote ?? 'unknown'))
}

/** As the other end speaks it, where a proxy that is trusted says so. */
export const protocolOf = (headers: IncomingHttpHeaders, hops = HOPS): 'http' | 'https' =>
  hops > 0 &&
  String(headers['x-forwarded-proto'] ?? '')
    .split(',')
    .at(-1)!
    .trim() === 'https'
    ? 'https'
    : 'http'
