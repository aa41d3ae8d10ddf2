import { pathOf } from './addresses'
import type { Entry, Page, PageKind, PageType, Site } from './types'

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

function homePage(site: Site, byId: Map<string, Entry>): Page {
  const { home, name } = site.settings
  const page: Page = { key: 'home', kind: 'home', address: '/', title: name }
  if (home.kind === 'archive') {
    return site.types.some((t) => t.id === home.type) ? { ...page, type: home.type } : page
  }
  const entry = byId.get(home.entry)
  return entry?.published ? { ...page, entry: entry.id, type: entry.type } : page
}

function entryPages(site: Site, byId: Map<string, Entry>, home: Page): Page[] {
  const types = new Map(site.types.map((t) => [t.id, t]))
  const pages: Page[] = []
  for (const entry of site.entries) {
    const type = types.get(entry.type)
    if (!type || !entry.published || entry.id === home.entry) continue
    pages.push({
      key: `entry:${entry.id}`,
      kind: 'entry',
      address: entryAddress(entry, type, byId),
      title: entryName(entry, type),
      type: type.id,
      entry: entry.id,
    })
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

/** Years and months in which published entries of dated types stand, latest first: `YYYY` and `YYYY-MM`. */
function timesOf(site: Site): Map<string, Set<string>> {
  const dated = new Set(site.types.filter((t) => t.dated).map((t) => t.id))
  const times = new Map<string, Set<string>>()
  for (const entry of site.entries) {
    const month = monthOf(entry)
    if (!month || !entry.published || !dated.has(entry.type)) continue
    const set = times.get(entry.type) ?? new Set()
    times.set(entry.type, set.add(month).add(month.slice(0, 4)))
  }
  return times
}

function timePages(site: Site): Page[] {
  const format = new Intl.DateTimeFormat(site.settings.locale, { year: 'numeric', month: 'long', timeZone: 'UTC' })
  const named = (time: string) => (time.length === 4 ? time : format.format(new Date(`${time}-01T00:00:00Z`)))
  const times = timesOf(site)
  const pagesOf = (type: PageType, kind: 'year' | 'month'): Page[] =>
    [...(times.get(type.id) ?? [])]
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
  return site.types.flatMap((type) => [...pagesOf(type, 'year'), ...pagesOf(type, 'month')])
}

function groupPages(site: Site): Page[] {
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
  const busy = new Set(site.entries.filter((e) => e.published && e.person).map((e) => e.person))
  for (const person of site.people) {
    if (!busy.has(person.id)) continue
    const address = pathOf('people', person.slug)
    pages.push({ key: `person:${person.id}`, kind: 'person', address, title: person.name, person: person.id })
  }
  return pages
}

function workingPages(site: Site): Page[] {
  return WORKING.filter((w) => !w.needs || site.settings[w.needs]).map((w) => ({
    key: w.kind,
    kind: w.kind,
    address: w.slug ? pathOf(w.slug) : '',
    title: w.title,
  }))
}

/**
 * Every page of the site, in the order of the Map: home, entries, archives with their years and months, terms, people, working
 * pages. The not-found page has no address of its own: its `address` is empty.
 */
export function listPages(site: Site): Page[] {
  const byId = new Map(site.entries.map((e) => [e.id, e]))
  const home = homePage(site, byId)
  return [
    home,
    ...entryPages(site, byId, home),
    ...archivePages(site, home),
    ...timePages(site),
    ...groupPages(site),
    ...workingPages(site),
  ]
}

/** The address at which an entry would stand if it were not home; its own address then leads to `/`. */
export function ownAddress(site: Site, entry: Entry, byId: Map<string, Entry>): string | null {
  const type = site.types.find((t) => t.id === entry.type)
  return type ? entryAddress(entry, type, byId) : null
}
