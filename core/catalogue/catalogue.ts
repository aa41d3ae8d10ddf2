import { BY_DAY, todayIn, type Day } from '../time'
import { followRedirects } from './leads'
import { IdIndex } from './id-index'
import { OutEntries } from './out-entries'
import { PageList, samePage } from './page-list'
import { type Outs, entryPage, listPages, monthOf, otherPages, ownAddress } from './pages'
import type { Entry, Id, Menu, Page, PageType, Person, Picture, Redirect, Site, Taxonomy, Term } from '../model'

const byId = <T extends { id: Id }>(items: readonly T[]): Map<Id, T> => new Map(items.map((i) => [i.id, i]))

/** What was read of a catalogue while something was made from it: see `Catalogue.watch`. */
export type Seen = Set<string>

const byAddress = (redirects: readonly Redirect[] = []): ReadonlyMap<string, Redirect> =>
  new Map(redirects.map((r) => [r.address, r]))

/** Things by id, telling which were asked for. */
class SeenMap<T extends { id: Id }> extends Map<Id, T> {
  see: ((key: string) => void) | null = null

  constructor(
    private readonly kind: string,
    things: readonly T[],
  ) {
    super()
    for (const thing of things) this.set(thing.id, thing)
  }

  override get(id: Id): T | undefined {
    this.see?.(`${this.kind}:${id}`)
    return super.get(id)
  }
}

/** When things happened to an entry, in milliseconds since 1970; 0 where it is not known. */
export interface EntryTimes {
  /** When its latest state was stored, and how many there were before it. */
  changed: number
  revision: number
  /** When it was first stored as published. */
  out: number
}

const UNKNOWN_TIMES: EntryTimes = { changed: 0, revision: 1, out: 0 }

/** An entry as it is now; null for one that is gone. */
export interface EntryChange {
  id: Id
  entry: Entry | null
}

/** The lists that entries stand in, or have stood in, by keys. */
const keysOfLists = (entries: readonly (Entry | null)[]): string[] =>
  entries.flatMap((e) =>
    e ? [`type:${e.type}`, ...e.terms.map((t) => `term:${t}`), ...(e.person ? [`person:${e.person}`] : [])] : [],
  )

/** Terms by the one that they stand just below, in their order. */
function childrenOf(terms: readonly Term[]): Map<Id | null, Term[]> {
  const children = new Map<Id | null, Term[]>()
  for (const term of terms) {
    const beside = children.get(term.parent)
    if (beside) beside.push(term)
    else children.set(term.parent, [term])
  }
  return children
}

/**
 * A site made ready for looking things up: pages by address and key, everything else by id, entries that are out by
 * type, term, person and month, newest first. It follows the changes of its entries one by one; when anything else of
 * the site changes, another one is made.
 */
export class Catalogue {
  readonly types: Map<Id, PageType>
  readonly taxonomies: Map<Id, Taxonomy>
  readonly terms: Map<Id, Term>
  readonly people: Map<Id, Person>
  readonly pictures: SeenMap<Picture>
  menus: Map<Id, Menu>
  readonly entries: SeenMap<Entry>
  /** Addresses that lead elsewhere, as they are stored, by the address. */
  redirects: ReadonlyMap<string, Redirect>
  /** When entries were stored, as far as it is told; held by whoever reads the catalogue in. */
  times: ReadonlyMap<Id, EntryTimes> = new Map()
  /** Another object after every change: what is made from the catalogue is kept with it. */
  state: object = {}
  /** The day that the clocks of the site show; it turns with `turn`. */
  private day: Day
  private readonly followers: ((id: Id, out: Entry | null) => void)[] = []
  private seen: Seen | null = null
  private list: PageList
  private children: Map<Id | null, Term[]> | null = null
  private readonly homeward = new Map<string, string>()
  private readonly takenBy = new Map<string, number>()
  private readonly out: OutEntries
  /** Entries by the last parts of their addresses, and by what they stand below. */
  private readonly slugs = new IdIndex()
  private readonly below = new IdIndex()
  /** Its lists of entries and pictures are the catalogue's own. */
  readonly site: Site

  constructor(given: Site, now = Date.now()) {
    const site = { ...given, entries: [...given.entries], pictures: [...given.pictures] }
    this.site = site
    this.types = byId(site.types)
    this.taxonomies = byId(site.taxonomies)
    this.terms = byId(site.terms)
    this.people = byId(site.people)
    this.pictures = new SeenMap('picture', site.pictures)
    this.menus = byId(site.menus)
    this.entries = new SeenMap('entry', site.entries)
    this.redirects = byAddress(site.redirects)
    for (const entry of site.entries) this.index(entry)
    this.day = todayIn(site.settings.timeZone, now)
    this.out = new OutEntries(site.entries, site.settings.timeZone, now)
    this.list = this.listed()
    this.leadHome()
  }

  private readonly isBusy = (person: Id): boolean => this.out.isBusy(person)

  private get outs(): Outs {
    return { isOut: this.isOut, times: this.out.times, isBusy: this.isBusy }
  }

  private listed(): PageList {
    return new PageList(listPages(this.site, this.entries, this.outs))
  }

  private readonly see = (key: string): void => void this.seen?.add(key)

  /**
   * Makes something from the catalogue, at once, and gives what it came to together with all that was read for it:
   * entries, lists and pages by keys. What `follow` gives for a change has one of these keys in it wherever the change
   * can have made a difference. What is watched within what is watched is seen by both.
   */
  watch<T>(make: () => T): { made: T; seen: Seen } {
    const outer = this.seen
    const seen: Seen = (this.seen = new Set())
    this.pictures.see = this.entries.see = this.see
    try {
      return { made: make(), seen }
    } finally {
      this.seen = outer
      if (!outer) this.pictures.see = this.entries.see = null
      else for (const key of seen) outer.add(key)
    }
  }

  /** Says that something is shown that was made before, from what was seen then. */
  seeAll(seen: Iterable<string>): void {
    if (this.seen) for (const key of seen) this.seen.add(key)
  }

  /** Whether visitors can see an entry: it is published, and its time has come and is not over. */
  readonly isOut = (entry: Pick<Entry, 'id'>): boolean => {
    this.see(`entry:${entry.id}`)
    return this.out.has(entry.id)
  }

  get pages(): readonly Page[] {
    this.see('pages')
    return this.list.pages
  }

  /** What home shows is one page with home: its own key and address lead there. */
  private leadHome(): void {
    this.homeward.clear()
    const home = this.list.pages[0]!
    const entry = home.entry ? this.entries.get(home.entry) : undefined
    if (entry) {
      const address = ownAddress(this.site, entry, this.entries)
      if (address && address !== '/') this.homeward.set(address, '/')
    } else if (home.type) {
      const slug = this.types.get(home.type)?.slug
      if (slug) this.homeward.set(`/${slug}`, '/')
    }
  }

  /** Takes over changes of entries, each by itself; gives what may read otherwise now: see `watch`. */
  follow(changes: readonly EntryChange[]): Seen {
    const stale: Seen = new Set()
    for (const change of changes) this.followOne(change, stale)
    if (changes.length > 0) this.state = {}
    return stale
  }

  private followOne({ id, entry: after }: EntryChange, stale: Seen): void {
    const before = this.entries.get(id) ?? null
    if (!before && !after) return
    const { home } = this.site.settings
    const isHome = home.kind === 'entry' && home.entry === id
    const moved = before?.slug !== after?.slug || before?.parent !== after?.parent
    this.hold(id, after)
    stale.add(`entry:${id}`)
    for (const key of keysOfLists([before, after])) stale.add(key)
    this.list.touched = stale
    const tail = this.out.count(before, after)
    this.tellFollowers(id)
    // What refers to it is sorted and found by what it is called.
    if (before?.title !== after?.title || (before && after && before.published !== after.published))
      for (const from of this.referrers.get(id)) if (from !== id) this.tellOf(from, stale)
    if (isHome) {
      this.list.tellAll(stale)
      this.list = this.listed()
      this.list.tellAll(stale)
    }
    if (!isHome) this.showOne(id, after)
    if (moved) this.showBelow(id)
    if (tail && !isHome) this.showOthers()
    if (isHome || moved) this.leadHome()
  }

  /** Tells of each change of an entry: as visitors see it now, or null where they do not. */
  followedBy(follower: (id: Id, out: Entry | null) => void): void {
    this.followers.push(follower)
  }

  private tellFollowers(id: Id): void {
    const entry = this.out.has(id) ? (this.entries.get(id) ?? null) : null
    for (const tell of this.followers) tell(id, entry)
  }

  /** Tells of an entry that is stored as it was, and reads otherwise: so do the lists in which it stands. */
  private tellOf(id: Id, stale: Seen): void {
    const entry = this.entries.get(id)
    if (!entry) return
    stale.add(`entry:${id}`)
    for (const key of keysOfLists([entry])) stale.add(key)
    this.tellFollowers(id)
  }

  private readonly referrers = new IdIndex()

  /** The entries that an entry refers to by its fields. */
  private refersTo({ type, fields }: Entry): Id[] {
    const own = this.types.get(type)?.fields.filter((f) => f.kind === 'entry') ?? []
    return own.flatMap(({ id }) => (typeof fields[id] === 'string' ? [fields[id]] : []))
  }

  private index(entry: Entry): void {
    const { id, slug, parent } = entry
    this.slugs.add(slug, id)
    this.below.add(parent, id)
    for (const to of this.refersTo(entry)) this.referrers.add(to, id)
  }

  /** Entries of any type whose addresses end with the same part. */
  withSlug(slug: string): Entry[] {
    return this.slugs.get(slug).flatMap((id) => this.entries.get(id) ?? [])
  }

  /** Puts an entry in the place of the one with its id, behind all others, or takes it away. */
  private hold(id: Id, after: Entry | null): void {
    const { entries } = this.site
    const was = this.entries.get(id)
    if (was) {
      this.slugs.remove(was.slug, id)
      this.below.remove(was.parent, id)
      for (const to of this.refersTo(was)) this.referrers.remove(to, id)
    }
    if (after) this.index(after)
    const index = was ? entries.lastIndexOf(was) : entries.length
    if (after) {
      entries[index] = after
      this.entries.set(id, after)
    } else if (was) {
      entries.splice(index, 1)
      this.entries.delete(id)
    }
  }

  /** The page of an entry, as it is now, in its place among those of the others. */
  private showOne(id: Id, entry: Entry | null): void {
    const was = this.list.get(`entry:${id}`)
    const type = entry && this.types.get(entry.type)
    const page = entry && type && this.out.has(id) ? entryPage(entry, type, this.entries) : null
    if (was && page) {
      if (!samePage(was, page)) this.list.replace(was, page)
    } else if (was) this.list.remove(was)
    else if (page) this.list.insert(page, this.placeOf(entry!))
  }

  /** Where the page of an entry goes: before that of the next entry that has one. */
  private placeOf(entry: Entry): number {
    const { entries } = this.site
    for (let i = entries.lastIndexOf(entry) + 1; i < entries.length; i++) {
      const next = this.list.get(`entry:${entries[i]!.id}`)
      if (next) return this.list.pages.indexOf(next)
    }
    return this.firstOther()
  }

  /** Where the pages begin that are no entry's. */
  private firstOther(): number {
    let [low, high] = [1, this.list.pages.length]
    while (low < high) {
      const middle = (low + high) >> 1
      if (this.list.pages[middle]!.kind === 'entry') low = middle + 1
      else high = middle
    }
    return low
  }

  /** Entries that stand below one that has moved stand elsewhere too. */
  private showBelow(id: Id, seen = new Set([id])): void {
    for (const below of this.below.get(id)) {
      if (seen.has(below)) continue
      seen.add(below)
      if (this.list.get(`entry:${below}`)) this.showOne(below, this.entries.get(below)!)
      this.showBelow(below, seen)
    }
  }

  private showOthers(): void {
    const others = otherPages(this.site, this.list.pages[0]!, this.outs)
    this.list.replaceFrom(this.firstOther(), others)
  }

  /** Takes over the menus as they are being made; what visitors see of them goes by the release. */
  followMenus(menus: readonly Menu[]): Seen {
    this.site.menus = [...menus]
    this.menus = byId(menus)
    this.state = {}
    return new Set(['menus'])
  }

  /** Takes over the addresses that lead elsewhere; no page shows any of them. */
  followRedirects(redirects: readonly Redirect[]): void {
    this.site.redirects = [...redirects]
    this.redirects = byAddress(redirects)
    this.state = {}
  }

  /** How many of something that is sold are held or sold, by what it is counted by: see `core/shop`. */
  readonly taken = (sku: string): number => {
    this.see(`entry:${sku.split('/')[0]}`)
    return this.takenBy.get(sku) ?? 0
  }

  /** Takes over how many of some things are held or sold. */
  followTaken(taken: Iterable<readonly [sku: string, count: number]>): Seen {
    const stale: Seen = new Set()
    for (const [sku, count] of taken) {
      if ((this.takenBy.get(sku) ?? 0) === count) continue
      this.takenBy.set(sku, count)
      const id = sku.split('/')[0]!
      stale.add(`entry:${id}`)
      this.tellOf(id, stale)
    }
    if (stale.size > 0) this.state = {}
    return stale
  }

  /** Takes over a picture as it is now, or that it is gone. */
  followPicture(id: Id, picture: Picture | null): Seen {
    const { pictures } = this.site
    const index = pictures.findIndex((p) => p.id === id)
    if (picture) {
      pictures[index < 0 ? pictures.length : index] = picture
      this.pictures.set(id, picture)
    } else if (index >= 0) {
      pictures.splice(index, 1)
      this.pictures.delete(id)
    }
    this.state = {}
    return new Set([`picture:${id}`])
  }

  /** Takes over what time has done: entries whose moment has come, or is over. Gives those that are out or in by it. */
  turn(now: number): { turned: Entry[]; stale: Seen } {
    const turned = this.out.turn(now, (id) => this.entries.get(id)!)
    const day = todayIn(this.site.settings.timeZone, now)
    if (day !== this.day) {
      this.day = day
      this.state = {}
    }
    return { turned, stale: this.follow(turned.map((entry) => ({ id: entry.id, entry }))) }
  }

  private other: { state: object; at: number; catalogue: Catalogue } | null = null

  /**
   * The site as it is at another moment: what is out then, and what day it is then. It is this catalogue where nothing
   * goes by the difference, else another one, kept for the moment that was asked for last.
   */
  asAt(moment: number): Catalogue {
    const day = todayIn(this.site.settings.timeZone, moment)
    if (day === this.day && this.out.isSameAt(moment, (id) => this.entries.get(id)!)) return this
    if (this.other?.state !== this.state || this.other.at !== moment) {
      const catalogue = new Catalogue(this.site, moment)
      catalogue.followTaken(this.takenBy)
      catalogue.times = this.times
      this.other = { state: this.state, at: moment, catalogue }
    }
    return this.other.catalogue
  }

  timesOf(id: Id): EntryTimes {
    return this.times.get(id) ?? UNKNOWN_TIMES
  }

  /** What day it is on the clocks of the site (`YYYY-MM-DD`). */
  get today(): Day {
    this.seeToday()
    return this.day
  }

  /** Says that something is shown that was made from the day. */
  seeToday(): void {
    this.see(BY_DAY)
  }

  /** The page at an address, without query and trailing slash; undefined when the site has none. */
  pageAt(address: string): Page | undefined {
    return this.list.at(address)
  }

  /** Where an address leads that is not a page's own: home for the entry that home shows, or where it was led. */
  redirectOf(address: string): string | undefined {
    return this.homeward.get(address) ?? this.ledElsewhere(address)
  }

  /** Where an address was led that is no page's own any more. */
  ledElsewhere(address: string): string | undefined {
    if (this.redirects.size === 0 || this.list.at(address)) return undefined
    const isPage = (path: string) => this.list.at(path) !== undefined
    const led = followRedirects(this.redirects, this.addressOfPage, isPage, address)
    return led === undefined ? undefined : (this.homeward.get(led) ?? led)
  }

  /** The address of a page by its key. */
  readonly addressOfPage = (key: string): string | undefined => this.page(key)?.address || undefined

  /** The address of an entry by its type and place, whether it is out or not; null where its type is unknown. */
  ownAddressOf(entry: Id): string | null {
    const found = this.entries.get(entry)
    return found ? ownAddress(this.site, found, this.entries) : null
  }

  page(key: string): Page | undefined {
    this.see(`page:${key}`)
    const home = this.list.pages[0]!
    const shown = home.entry ? `entry:${home.entry}` : home.type ? `archive:${home.type}` : ''
    return key === shown ? home : this.list.get(key)
  }

  /** Where a page stands in `pages`; home also under the key of what it shows. Undefined when there is none. */
  indexOf(key: string): number | undefined {
    return this.list.indexOf(this.page(key)?.key ?? '')
  }

  /** The page that answers when no other does. */
  get notFound(): Page {
    return this.list.get('not-found')!
  }

  entriesOfType(type: Id): readonly Entry[] {
    this.see(`type:${type}`)
    return this.out.byType.get(type)
  }

  entriesInTerm(term: Id): readonly Entry[] {
    this.see(`term:${term}`)
    return this.out.byTerm.get(term)
  }

  entriesBy(person: Id): readonly Entry[] {
    this.see(`person:${person}`)
    return this.out.byPerson.get(person)
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

  /** The address of an entry's page, home included, or null when it has none. */
  addressOf(entry: Id): string | null {
    return this.page(`entry:${entry}`)?.address ?? null
  }

  /** A term and all terms below it. */
  termsBelow(term: Id): Id[] {
    const found = new Set([term])
    // What is added while it is gone through is gone through too.
    for (const id of found) for (const { id: below } of this.termsAt(id)) found.add(below)
    return [...found]
  }

  /** The terms that stand just below one, in their order. */
  termsAt(parent: Id): readonly Term[] {
    this.children ??= childrenOf(this.site.terms)
    return this.children.get(parent) ?? []
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
