import { exact, optional, pattern, yes, shapeOf } from '../shape'
import type { Catalogue } from './catalogue'
import { followRedirects } from './leads'
import { pathOf } from '../addresses'
import { ownAddress } from './pages'
import { linkShape, type Structure, type Entry, type Id, type Redirect } from '../model'

export const redirectShape = shapeOf<Redirect>()(
  exact({
    address: pattern(/^\/[^\s?#\\]{0,1000}[^\s?#\\/]$/, 'an address to lead elsewhere is a path such as /old/page'),
    to: linkShape,
    branch: optional(yes()),
  }),
)

/** Why an address cannot be led elsewhere, as a sentence without its full stop; null when it can. */
export function refuseRedirect({ address, to }: Redirect, catalogue: Catalogue): string | null {
  const page = catalogue.pageAt(address)
  if (page) return `${address} is the address of “${page.title}”, which would not be reached any more`
  if (to === '') return 'Choose where it leads'
  if (typeof to !== 'string') return catalogue.page(to.page) ? null : 'The page that it leads to does not exist'
  if (!to.startsWith('/')) return null
  const others = new Map(catalogue.redirects).set(address, { address, to })
  const end = followRedirects(others, catalogue.addressOfPage, (a) => catalogue.pageAt(a) !== undefined, address)
  return end === undefined ? `${address} would lead to itself` : null
}

/** A redirect to one of this site's own pages names the page, so that it follows it. */
export function settledRedirect(redirect: Redirect, catalogue: Catalogue): Redirect {
  const { to } = redirect
  if (typeof to !== 'string' || !to.startsWith('/')) return redirect
  const page = catalogue.pageAt(catalogue.redirectOf(to) ?? to)
  return page && page.kind !== 'not-found' ? { ...redirect, to: { page: page.key } } : redirect
}

/** What leads on from the address that an entry has had, when it gets another; null when it keeps it or had none. */
export function redirectOfEntry(before: Entry, after: Entry, catalogue: Catalogue): Redirect | null {
  const address = catalogue.addressOf(before.id) === null ? null : catalogue.ownAddressOf(before.id)
  if (address === null || ownAddress(catalogue.site, after, catalogue.entries) === address) return null
  // Whatever stands below it has moved with it.
  const tree = catalogue.types.get(before.type)?.tree
  return { address, to: { page: `entry:${before.id}` }, ...(tree && { branch: true as const }) }
}

type Built = Pick<Structure, 'types' | 'taxonomies' | 'terms' | 'people'>

const byId = <T extends { id: Id }>(items: readonly T[]): ReadonlyMap<Id, T> => new Map(items.map((i) => [i.id, i]))

/**
 * What leads on from the addresses that pages have had, when page types, taxonomies, terms or people get others.
 * Entries of a type at the top of the site, whose addresses begin with nothing, are given by `topOf`.
 */
export function redirectsOfStructure(before: Built, after: Built, topOf: (type: Id) => readonly Entry[]): Redirect[] {
  const found: Redirect[] = []
  const lead = (address: string, to: Redirect['to'], branch: boolean) =>
    found.push({ address, to, ...(branch && { branch: true as const }) })
  const types = byId(after.types)
  for (const { id, slug, tree } of before.types) {
    const now = types.get(id)
    if (!now || now.slug === slug) continue
    if (slug) lead(pathOf(slug), pathOf(now.slug), true)
    else for (const entry of topOf(id)) lead(pathOf(entry.slug), { page: `entry:${entry.id}` }, tree)
  }
  const taxonomies = byId(after.taxonomies)
  for (const { id, slug } of before.taxonomies) {
    const now = taxonomies.get(id)
    if (now && now.slug !== slug) lead(pathOf(slug), pathOf(now.slug), true)
  }
  const slugs = byId(before.taxonomies)
  const terms = byId(after.terms)
  for (const { id, slug, taxonomy } of before.terms) {
    const now = terms.get(id)
    const of = slugs.get(taxonomy)
    if (now && of && now.slug !== slug) lead(pathOf(of.slug, slug), { page: `term:${id}` }, false)
  }
  const people = byId(after.people)
  for (const { id, slug } of before.people) {
    const now = people.get(id)
    if (now && now.slug !== slug) lead(pathOf('people', slug), { page: `person:${id}` }, false)
  }
  return found
}
