import { type LookupAddress, lookup } from 'node:dns'
import { type IncomingMessage, get as getPlain } from 'node:http'
import { get as getSealed } from 'node:https'
import { BlockList, type LookupFunction, isIP } from 'node:net'

/** Fetches images from the web, and nothing from this machine or the networks that it stands in. */

const MOST_BYTES = 20_000_000
const PATIENCE = 15_000
const MOST_LED_ON = 3

/** Addresses that are no public ones (IANA special-purpose registries for IPv4 and IPv6). */
const NOT_PUBLIC = new BlockList()
for (const [net, bits] of [
  ['0.0.0.0', 8],
  ['10.0.0.0', 8],
  ['100.64.0.0', 10],
  ['127.0.0.0', 8],
  ['169.254.0.0', 16],
  ['172.16.0.0', 12],
  ['192.0.0.0', 24],
  ['192.0.2.0', 24],
  ['192.88.99.0', 24],
  ['192.168.0.0', 16],
  ['198.18.0.0', 15],
  ['198.51.100.0', 24],
  ['203.0.113.0', 24],
  ['224.0.0.0', 3],
] as const)
  NOT_PUBLIC.addSubnet(net, bits, 'ipv4')
/** Global unicast is 2000::/3; of that, what leads to IPv4 addresses or is for documents. */
const NOT_PUBLIC_6 = new BlockList()
for (const [net, bits] of [
  ['2001::', 23],
  ['2001:db8::', 32],
  ['2002::', 16],
  ['3fff::', 20],
] as const)
  NOT_PUBLIC_6.addSubnet(net, bits, 'ipv6')
const GLOBAL_6 = new BlockList()
GLOBAL_6.addSubnet('2000::', 3, 'ipv6')

/** Whether an IP address is one of the public internet. */
export function isPublic(address: string): boolean {
  const version = isIP(address)
  if (version === 4) return !NOT_PUBLIC.check(address, 'ipv4')
  return version === 6 && GLOBAL_6.check(address, 'ipv6') && !NOT_PUBLIC_6.check(address, 'ipv6')
}

type Allowed = (address: string) => boolean

/** Looks a name up and hands on only addresses that are allowed: what is connected to is what was judged. */
const lookupAmong =
  (allowed: Allowed): LookupFunction =>
  (name, options, done) => {
    lookup(name, { ...options, all: true }, (error, found: LookupAddress[]) => {
      const fine = (found ?? []).filter(({ address }) => allowed(address))
      const why = error ?? (fine.length === 0 ? new Error(`${name} is no public address`) : null)
      if (why) return done(why, '', 0)
      if (options.all) return done(null, fine as unknown as string, 0)
      done(null, fine[0]!.address, fine[0]!.family)
    })
  }

function request(url: URL, allowed: Allowed): Promise<IncomingMessage> {
  const host = url.hostname.replace(/^\[|\]$/g, '')
  // A host that is written as an IP address is not looked up.
  if (isIP(host) && !allowed(host)) return Promise.reject(new Error(`${host} is no public address`))
  const get = url.protocol === 'https:' ? getSealed : getPlain
  return new Promise((done, failed) => {
    const asked = get(
      url,
      { lookup: lookupAmong(allowed), signal: AbortSignal.timeout(PATIENCE), headers: { accept: 'image/*' } },
      done,
    )
    asked.on('error', failed)
  })
}

/** The bytes of an image at an address; null where it is none, is too large, or cannot be fetched. */
export async function fetchImage(address: string, allowed: Allowed = isPublic): Promise<Buffer | null> {
  try {
    let url = new URL(address)
    for (let led = 0; led <= MOST_LED_ON; led++) {
      if (url.protocol !== 'http:' && url.protocol !== 'https:') return null
      const answer = await request(url, allowed)
      const { location } = answer.headers
      if (answer.statusCode! >= 300 && answer.statusCode! < 400 && location) {
        answer.destroy()
        url = new URL(location, url)
        continue
      }
      return answer.statusCode === 200 ? await bytesOf(answer) : (answer.destroy(), null)
    }
    return null
  } catch {
    return null
  }
}

async function bytesOf(answer: IncomingMessage): Promise<Buffer | null> {
  const chunks: Buffer[] = []
  let size = 0
  for await (const chunk of answer as AsyncIterable<Buffer>) {
    size += chunk.length
    if (size > MOST_BYTES) return (answer.destroy(), null)
    chunks.push(chunk)
  }
  return Buffer.concat(chunks)
}
