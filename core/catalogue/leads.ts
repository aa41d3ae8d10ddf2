import type { Redirect } from '../model'

const MOST_HOPS = 8

/** Where an address leads that is no page's own; undefined when nowhere. Whatever leads in a circle leads nowhere. */
export function followRedirects(
  redirects: ReadonlyMap<string, Redirect>,
  pageAddress: (key: string) => string | undefined,
  isPage: (address: string) => boolean,
  address: string,
): string | undefined {
  let at = address
  for (let hop = 0; hop < MOST_HOPS; hop++) {
    const found = nextOf(redirects, pageAddress, at)
    if (found === undefined) return hop === 0 ? undefined : at
    if (found.startsWith('/') && isPage(found)) return found
    if (!found.startsWith('/')) return found
    at = found
  }
  return undefined
}

function nextOf(
  redirects: ReadonlyMap<string, Redirect>,
  pageAddress: (key: string) => string | undefined,
  address: string,
): string | undefined {
  const own = redirects.get(address)
  if (own) return typeof own.to === 'string' ? own.to : pageAddress(own.to.page)
  // The nearest branch above it that is led elsewhere takes it along.
  for (let end = address.lastIndexOf('/'); end > 0; end = address.lastIndexOf('/', end - 1)) {
    const branch = redirects.get(address.slice(0, end))
    if (!branch?.branch) continue
    const to = typeof branch.to === 'string' ? branch.to : pageAddress(branch.to.page)
    return to === undefined ? undefined : to.replace(/\/$/, '') + address.slice(end)
  }
  return undefined
}
