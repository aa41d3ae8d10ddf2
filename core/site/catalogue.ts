import { listPages, monthOf, ownAddress } from './pages'
import { followRedirects } from './leads'
import type { Entry, Id, Menu, Page, PageType, Person, Picture, Redirect, Site, Taxonomy, Term } from './types'

/** Newest first; entries without a date come last, in the order of their titles, then ids. */
function newestFirst(a: Entry, b: Entry): number {
  const x = a.date ?? ''
  const y = b.date ?? ''
  if (x !== y) return x > y ? -1 : 1
  if (a.title !== b.title) return a.title < b.title ? -1 : 1
  return a.id < b.id ? -1 : 1
}

function group<T>(items: readonly T[], keysOf: (item: T) => readonly (string | null)[]): Map<string, T[]> {
  const groups = new Map<string, T[]>()
  for (const item of items) {
    for (const key of keysOf(item)) {
      if (key === null) continue
      const list = groups.get(key)
      if (list) list.push(item)
      else groups.set(key, [item])
    }
  }
  return groups
}

const byId = <T extends { id: Id }>(items: readonly T[]): Map<Id, T> => new Map(items.map((i) => [i.id, i]))

/**
 * A site made ready for looking things up: pages by address and key, everything else by id, published entries
 * by type, term, person and month, newest first. Built once for each state of the content and then only read.
 */
export class Catalogue {
  readonly pages: Page[]
  readonly types: Map<Id, PageType>
  readonly taxonomies: Map<Id, Taxonomy>
  readonly terms: Map<Id, Term>
  readonly people: Map<Id, Person>
  readonly pictures: Map<Id, Picture>
  readonly menus: Map<Id, Menu>
  readonly entries: Map<Id, Entry>
  private readonly pagesByAddress = new Map<string, Page>()
  private readonly pagesByKey = new Map<string, Page>()
  /** Addresses that lead elsewhere, as they are stored, by the address. */
  readonly redirects: ReadonlyMap<string, Redirect>
  private readonly homeward = new Map<string, string>()
  private indexes: Map<string, number> | null = null
  private readonly byType: Map<Id, Entry[]>
  private readonly byTerm: Map<Id, Entry[]>
  private readonly byPerson: Map<Id, Entry[]>

  constructor(readonly site: Site) {
    this.types = byId(site.types)
    this.taxonomies = byId(site.taxonomies)
    this.terms = byId(site.terms)
    this.people = byId(site.people)
    this.pictures = byId(site.pictures)
    this.menus = byId(site.menus)
    this.entries = byId(site.entries)
    const published = site.entries.filter((e) => e.published).sort(newestFirst)
    this.byType = group(published, (e) => [e.type])
    this.byTerm = group(published, (e) => e.terms)
    this.byPerson = group(published, (e) => [e.person])
    this.pages = listPages(site)
    for (const page of this.pages) {
      if (page.address && !this.pagesByAddress.has(page.address)) this.pagesByAddress.set(page.address, page)
      this.pagesByKey.set(page.key, page)
    }
    this.leadHome()
    this.redirects = new Map((site.redirects ?? []).map((r) => [r.address, r]))
  }

  /** What home shows is one page with home: its own key and address lead there. */
  private leadHome(): void {
    const home = this.pages[0]!
    const entry = home.entry ? this.entries.get(home.entry) : undefined
    if (entry) {
      this.pagesByKey.set(`entry:${entry.id}`, home)
      const address = ownAddress(this.site, entry, this.entries)
      if (address && address !== '/') this.homeward.set(address, '/')
    } else if (home.type) {
      this.pagesByKey.set(`archive:${home.type}`, home)
      const slug = this.types.get(home.type)?.slug
      if (slug) this.homeward.set(`/${slug}`, '/')
    }
  }

  /** The page at an address, without query and trailing slash; undefined when the site has none. */
  pageAt(address: string): Page | undefined {
    return this.pagesByAddress.get(address)
  }

  /** Where an address leads that is not a page's own: home for the entry that home shows, or where it was led. */
  redirectOf(address: string): string | undefined {
    return this.homeward.get(address) ?? this.ledElsewhere(address)
  }

  /** Where an address was led that is no page's own any more. */
  ledElsewhere(address: string): string | undefined {
    if (this.redirects.size === 0 || this.pagesByAddress.has(address)) return undefined
    const isPage = (path: string) => this.pagesByAddress.has(path)
    const led = followRedirects(this.redirects, this.addressOfPage, isPage, address)
    return led === undefined ? undefined : (this.homeward.get(led) ?? led)
  }

  /** The address of a page by its key. */
  readonly addressOfPage = (key: string): string | undefined => this.pagesByKey.get(key)?.address || undefined

  /** The address of an entry by its type and place, whether it is published or not; null where its type is unknown. */
  ownAddressOf(entry: Id): string | null {
    const found = this.entries.get(entry)
    return found ? ownAddress(this.site, found, this.entries) : null
  }

  page(key: string): Page | undefined {
    return this.pagesByKey.get(key)
  }

  /** Where a page stands in `pages`; home also under the key of what it shows. Undefined when there is none. */
  indexOf(key: string): number | undefined {
    this.indexes ??= new Map(this.pages.map((page, i) => [page.key, i]))
    return this.indexes.get(this.pagesByKey.get(key)?.key ?? '')
  }

  /** The page that answers when no other does. */
  get notFound(): Page {
    return this.pagesByKey.get('not-found')!
  }

  entriesOfType(type: Id): readonly Entry[] {
    return this.byType.get(type) ?? []
  }

  entriesInTerm(term: Id): readonly Entry[] {
    return this.byTerm.get(term) ?? []
  }

  entriesBy(person: Id): readonly Entry[] {
    return this.byPerson.get(person) ?? []
  }

  /** The entries that an archive, term, person, year or month page lists; none for other pages. */
  listing(page: Page): readonly Entry[] {
    if (page.term) return this.entriesInTerm(page.term)
    if (page.person) return this.entriesBy(page.person)
    const { time, type } = page
    if (time && type) return this.entriesOfType(type).filter((e) => monthOf(e)?.startsWith(time))
    if (page.type && !page.entry) return this.entriesOfType(page.type)
    return []
  }

  /** The address of an entry's page, home included, or null when it is not published. */
  addressOf(entry: Id): string | null {
    return this.pagesByKey.get(`entry:${entry}`)?.address ?? null
  }

  /** A term and all terms below it. */
  termsBelow(term: Id): Id[] {
    const found = [term]
    for (let i = 0; i < found.length; i++) {
      for (const t of this.site.terms) if (t.parent === found[i] && !found.includes(t.id)) found.push(t.id)
    }
    return found
  }

  /** Ids of the entries above an entry in the page tree, nearest first. */
  ancestors(entry: Entry): Id[] {
    const found: Id[] = []
    let parent = entry.parent
    while (parent && !found.includes(parent) && parent !== entry.id) {
      found.push(parent)
      parent = this.entries.get(parent)?.parent ?? null
    }
    return found
  }
}
