import { DateWriter } from '../time'
import { pathOf } from '../addresses'
import type { Entry, Id, Page, PageKind, PageType, Site } from '../model'

/** The working pages that need no content, with their fixed addresses. */
const WORKING: { kind: PageKind; slug: string; title: string; needs?: 'shop' | 'signIn' }[] = [
  { kind: 'search', slug: 'search', title: 'Search' },
  { kind: 'not-found', slug: '', title: 'Not found' },
  { kind: 'basket', slug: 'basket', title: 'Basket', needs: 'shop' },
  { kind: 'checkout', slug: 'checkout', title: 'Checkout', needs: 'shop' },
  { kind: 'receipt', slug: 'receipt', title: 'Receipt', needs: 'shop' },
  { kind: 'order-status', slug: 'order', title: 'Your order', needs: 'shop' },
  { kind: 'sign-in', slug: 'sign-in', title: 'Sign in', needs: 'signIn' },
  { kind: 'member', slug: 'member', title: 'Your account', needs: 'signIn' },
]

export const WORKING_KINDS: ReadonlySet<PageKind> = new Set(WORKING.map((w) => w.kind))
export const ARCHIVE_KINDS: ReadonlySet<PageKind> = new Set<PageKind>(['archive', 'term', 'person', 'year', 'month'])

/** What to call an entry where it must have a name: its title, or "Untitled exhibit". */
export function entryName(entry: Pick<Entry, 'title'>, type: Pick<PageType, 'name'> | undefined): string {
  return entry.title.trim() || `Untitled ${(type?.name ?? 'entry').toLowerCase()}`
}

/** `YYYY-MM` of an entry's date, or null. */
export function monthOf(entry: Entry): string | null {
  return entry.date && /^\d{4}-\d{2}/.test(entry.date) ? entry.date.slice(0, 7) : null
}

function entryAddress(entry: Entry, type: PageType, byId: Map<string, Entry>): string {
  const path = [entry.slug]
  const seen = new Set([entry.id])
  let parent = type.tree && entry.parent ? byId.get(entry.parent) : undefined
  while (parent && !seen.has(parent.id)) {
    seen.add(parent.id)
    path.unshift(parent.slug)
    parent = parent.parent ? byId.get(parent.parent) : undefined
  }
  return pathOf(type.slug, ...path)
}

/** Whether an entry is out for visitors at the moment for which pages are listed. */
export type IsOut = (entry: Entry) => boolean

function homePage(site: Site, byId: Map<string, Entry>, isOut: IsOut): Page {
  const { home, name } = site.settings
  const page: Page = { key: 'home', kind: 'home', address: '/', title: name }
  if (home.kind === 'archive') {
    return site.types.some((t) => t.id === home.type) ? { ...page, type: home.type } : page
  }
  const entry = byId.get(home.entry)
  return entry && isOut(entry) ? { ...page, entry: entry.id, type: entry.type } : page
}

/** The page of an entry that is out and is not home. */
export const entryPage = (entry: Entry, type: PageType, byId: Map<string, Entry>): Page => ({
  key: `entry:${entry.id}`,
  kind: 'entry',
  address: entryAddress(entry, type, byId),
  title: entryName(entry, type),
  type: type.id,
  entry: entry.id,
})

function entryPages(site: Site, byId: Map<string, Entry>, home: Page, isOut: IsOut): Page[] {
  const types = new Map(site.types.map((t) => [t.id, t]))
  const pages: Page[] = []
  for (const entry of site.entries) {
    const type = types.get(entry.type)
    if (type && entry.id !== home.entry && isOut(entry)) pages.push(entryPage(entry, type, byId))
  }
  return pages
}

function archivePages(site: Site, home: Page): Page[] {
  const pages: Page[] = []
  for (const type of site.types) {
    if (type.archive && !(home.type === type.id && !home.entry)) {
      pages.push({
        key: `archive:${type.id}`,
        kind: 'archive',
        address: pathOf(type.slug),
        title: type.plural,
        type: type.id,
      })
    }
  }
  return pages
}

/** How many entries of each dated type that are out stand in each year (`YYYY`) and month (`YYYY-MM`). */
export type Times = Map<string, Map<string, number>>

/** Counts an entry that is out into its year and month, or out of them; says whether one of them is there now that was not, or is not any more. */
export function countTime(times: Times, { type, date }: Entry, by: 1 | -1): boolean {
  const month = monthOf({ date } as Entry)
  if (!month) return false
  const of = times.get(type) ?? new Map<string, number>()
  const many = of.size
  for (const time of [month, month.slice(0, 4)]) {
    const count = (of.get(time) ?? 0) + by
    if (count > 0) of.set(time, count)
    else of.delete(time)
  }
  times.set(type, of)
  return of.size !== many
}

function timePages(site: Site, times: Times): Page[] {
  const months = new DateWriter(site.settings.locale, { year: 'numeric', month: 'long' })
  const named = (time: string) => (time.length === 4 ? time : months.month(time))
  const pagesOf = (type: PageType, kind: 'year' | 'month'): Page[] =>
    [...(times.get(type.id)?.keys() ?? [])]
      .filter((time) => time.length === (kind === 'year' ? 4 : 7))
      .sort()
      .reverse()
      .map((time) => ({
        key: `${kind}:${type.id}:${time}`,
        kind,
        address: pathOf(type.slug, ...time.split('-')),
        title: `${type.plural}, ${named(time)}`,
        type: type.id,
        time,
      }))
  return site.types.flatMap((type) => (type.dated ? [...pagesOf(type, 'year'), ...pagesOf(type, 'month')] : []))
}

function groupPages(site: Site, isBusy: (person: Id) => boolean): Page[] {
  const pages: Page[] = []
  for (const taxonomy of site.taxonomies) {
    if (!taxonomy.pages) continue
    for (const term of site.terms) {
      if (term.taxonomy !== taxonomy.id) continue
      const address = pathOf(taxonomy.slug, term.slug)
      const base = { key: `term:${term.id}`, kind: 'term' as const, address, title: term.title }
      pages.push({ ...base, taxonomy: taxonomy.id, term: term.id })
    }
  }
  for (const person of site.people) {
    if (!isBusy(person.id)) continue
    const address = pathOf('people', person.slug)
    pages.push({ key: `person:${person.id}`, kind: 'person', address, title: person.name, person: person.id })
  }
  return pages
}

function workingPages(site: Site): Page[] {
  const { settings } = site
  const isOn = ({ kind, needs }: (typeof WORKING)[number]) =>
    kind === 'search' ? settings.search !== false : !needs || settings[needs]
  return WORKING.filter(isOn).map((w) => ({
    key: w.kind,
    kind: w.kind,
    address: w.slug ? pathOf(w.slug) : '',
    title: w.title,
  }))
}

/** What the entries that are out come to, as far as other pages than their own go by it. */
export interface Outs {
  isOut: IsOut
  times: Times
  isBusy(person: Id): boolean
}

/** Every page but home and those of entries: archives with their years and months, terms, people, working pages. */
export const otherPages = (site: Site, home: Page, { times, isBusy }: Omit<Outs, 'isOut'>): Page[] => [
  ...archivePages(site, home),
  ...timePages(site, times),
  ...groupPages(site, isBusy),
  ...workingPages(site),
]

/**
 * Every page of the site, in the order of the Map: home, entries, archives with their years and months, terms, people, working
 * pages. The not-found page has no address of its own: its `address` is empty.
 */
export function listPages(site: Site, byId: Map<Id, Entry>, outs: Outs): Page[] {
  const home = homePage(site, byId, outs.isOut)
  return [home, ...entryPages(site, byId, home, outs.isOut), ...otherPages(site, home, outs)]
}

/** The address at which an entry would stand if it were not home; its own address then leads to `/`. */
export function ownAddress(site: Site, entry: Entry, byId: Map<string, Entry>): string | null {
  const type = site.types.find((t) => t.id === entry.type)
  return type ? entryAddress(entry, type, byId) : null
}
