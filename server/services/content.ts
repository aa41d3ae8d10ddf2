import { Formats, timeGone } from '../../core/drawing'
import type { Spoilt } from '../../core/documents'
import { Catalogue, type EntryTimes, type Seen, type SiteChange, followChange } from '../../core/catalogue'
import { clockIn, type LocalTime } from '../../core/time'
import type { Entry, Id, Site } from '../../core/model'
import { CONTENT_LATER, type SiteAnswer, type SiteChanges } from '../../shared/api/types'
import { MENUS_CHANGED, REDIRECTS_CHANGED, readChanges, readLeads, readMenus, readSite } from '../database/content'
import { readEntriesBy, readTimes } from '../database/entries'
import { readPicture } from '../database/pictures'
import { compress } from './encoding'
import type { Database } from '../database/open'
import { type Find, type Found, findRanked, likelyAt, searchEntries, suggest } from './search'
import { Texts } from './texts'
import { takeTurns } from './turns'

const EMPTY: Site = {
  settings: {
    name: 'New site',
    tagline: '',
    origin: 'http://localhost',
    locale: 'en-GB',
    currency: 'EUR',
    timeZone: 'UTC',
    logo: null,
    fallbackPicture: null,
    home: { kind: 'archive', type: '' },
    shop: false,
    signIn: false,
  },
  types: [],
  taxonomies: [],
  terms: [],
  people: [],
  pictures: [],
  menus: [],
  entries: [],
}

/** Begins what is told of a change that is about a picture. */
export const PICTURE = 'picture '

/** What a change of the content was about, by what was told of it. */
function changedOf(told: readonly string[]): { ids: Id[]; pictures: Id[]; menus: boolean; redirects: boolean } {
  const pictures = told.filter((name) => name.startsWith(PICTURE)).map((name) => name.slice(PICTURE.length))
  const [menus, redirects] = [told.includes(MENUS_CHANGED), told.includes(REDIRECTS_CHANGED)]
  const ids = told.filter((name) => !name.startsWith(PICTURE) && name !== MENUS_CHANGED && name !== REDIRECTS_CHANGED)
  return { ids, pictures, menus, redirects }
}

/** What may read otherwise after a change of the content: what was made of these keys, or anything at all. */
export type Stale = Seen | 'all'

/** The content of the site, held in memory as one catalogue that follows what is stored. */
export class Content {
  catalogue = new Catalogue(EMPTY)
  formats = new Formats(EMPTY.settings)
  version = 0
  /** What is stored of the site and cannot be read; it is left out. */
  spoilt: readonly Spoilt[] = []
  /** What the clocks of the site showed last. */
  private shows: LocalTime | null = null
  private light: Promise<{ plain: string; gzip: Buffer }> | null = null
  private readonly texts: Texts
  private following: Promise<unknown> = Promise.resolve()
  private times = new Map<Id, EntryTimes>()
  /** How many of what is sold are held or sold. */
  private readonly taken = new Map<string, number>()

  constructor(
    private readonly db: Database,
    private readonly find: Find = (wanted) => findRanked(db, wanted),
  ) {
    this.texts = new Texts(db)
  }

  /** Reads everything anew. */
  async reload(): Promise<void> {
    const read = await readSite(this.db, EMPTY.settings, this.texts.holding)
    const times = await readTimes(this.db, null)
    this.catalogue = new Catalogue(read?.site ?? EMPTY)
    this.catalogue.followTaken(this.taken)
    this.catalogue.times = this.times = times
    this.spoilt = read?.spoilt ?? []
    this.formats = new Formats(this.catalogue.site.settings)
    this.version = read?.version ?? 0
    this.light = null
    this.texts.clear()
  }

  /** Takes over what has been stored since, by what has changed where that is known; one after the other. */
  follow(): Promise<Stale> {
    const next = this.following.then(() => this.followNow())
    this.following = next.catch(() => {})
    return next
  }

  private async followNow(): Promise<Stale> {
    const { version, entries } = await readChanges(this.db, this.version)
    if (entries === null || this.concernsSpoilt(entries)) {
      await this.reload()
      return 'all'
    }
    const changed = changedOf(entries)
    const { ids, pictures } = changed
    const menus = changed.menus ? (await readMenus(this.db, [])).menus : null
    const redirects = changed.redirects ? await readLeads(this.db, []) : null
    const found = new Map((await readEntriesBy(this.db, ids)).map(({ entry }) => [entry.id, entry]))
    const shown = await Promise.all(
      pictures.map(async (id) => {
        const stored = await readPicture(this.db, id)
        return { id, picture: stored && !stored.removed ? stored.picture : null }
      }),
    )
    const times = await readTimes(this.db, ids)
    // From here on at once: nobody sees half of it.
    for (const id of ids) this.texts.drop(id)
    for (const [id, of] of times) this.times.set(id, of)
    const now = ids.map((id) => ({ id, entry: this.lightened(found.get(id)) }))
    const stale = followChange(this.catalogue, { entries: now, pictures: shown, menus, redirects })
    this.version = version
    this.light = null
    return stale
  }

  /** Takes over how many of some things are held or sold. */
  followTaken(taken: Iterable<readonly [sku: string, count: number]>): Stale {
    const changes = [...taken]
    for (const [sku, count] of changes) this.taken.set(sku, count)
    return this.catalogue.followTaken(changes)
  }

  /** The same for all that is held or sold: of what is not named, nothing is. */
  followAllTaken(taken: Iterable<readonly [sku: string, count: number]>): Stale {
    const now = new Map(taken)
    for (const sku of this.taken.keys()) if (!now.has(sku)) now.set(sku, 0)
    return this.followTaken([...now].filter(([sku, count]) => (this.taken.get(sku) ?? 0) !== count))
  }

  /** Whether a change may be about something that cannot be read: what is told of that is told anew then. */
  private concernsSpoilt(told: readonly string[]): boolean {
    const { ids, pictures, menus, redirects } = changedOf(told)
    const named = new Set([...ids, ...pictures])
    return this.spoilt.some(
      ({ what, id }) => named.has(id) || (menus && what === 'menu') || (redirects && what === 'redirect'),
    )
  }

  private lightened(entry: Entry | undefined): Entry | null {
    return entry ? this.texts.lighten(entry) : null
  }

  /** What words find. */
  search(words: string): Promise<Found> {
    return searchEntries(this.db, this.catalogue, words, this.find)
  }

  /** Entries likely meant by an address at which there is no page. */
  likelyAt(path: string): Promise<Entry[]> {
    return likelyAt(this.db, this.catalogue, path)
  }

  /** Entries that may be meant while somebody types. */
  suggest(words: string): Promise<Entry[]> {
    return suggest(this.db, this.catalogue, words)
  }

  /** Ends what reads beside the database. */
  end(): void {
    this.texts.end()
  }

  /** Takes over what time has done: to entries that are out from or until a moment, and to what is drawn from the time. */
  turn(now = Date.now()): { turned: number; stale: Seen } {
    const { turned, stale } = this.catalogue.turn(now)
    const shows = clockIn(this.catalogue.site.settings.timeZone, now)
    for (const key of timeGone(this.shows, shows)) stale.add(key)
    this.shows = shows
    if (turned.length > 0) this.light = null
    return { turned: turned.length, stale }
  }

  /** The site for the studio, as JSON, without the content of its entries. Made once for each version. */
  lightAnswer(): Promise<{ plain: string; gzip: Buffer }> {
    return (this.light ??= this.makeLight())
  }

  /** What has changed since a version, where that is known one by one; null where the site is to be read as a whole. */
  async changesSince(since: number): Promise<SiteChanges | null> {
    const { version, spoilt } = this
    if (spoilt.length > 0 || since > version) return null
    const { entries } = await readChanges(this.db, since, version)
    if (entries === null) return null
    const { ids, pictures, menus, redirects } = changedOf(entries)
    const { site, entries: all, pictures: shown } = this.catalogue
    const change: SiteChange = {
      entries: ids.map((id) => ({ id, entry: withoutText(all.get(id)) })),
      pictures: pictures.map((id) => ({ id, picture: shown.get(id) ?? null })),
      menus: menus ? site.menus : null,
      redirects: redirects ? (site.redirects ?? []) : null,
    }
    return { version, change }
  }

  /** Others have a turn between the entries of a large site; what changes meanwhile is told by its own version. */
  private async makeLight(): Promise<{ plain: string; gzip: Buffer }> {
    const { version } = this
    const { entries, ...site } = this.catalogue.site
    const turn = takeTurns()
    const parts: string[] = []
    for (const entry of [...entries]) {
      parts.push(JSON.stringify(withoutText(entry)))
      await turn()
    }
    const whole: SiteAnswer = { site: { ...site, entries: [] }, version, spoilt: [...this.spoilt] }
    const plain = JSON.stringify(whole).replace('"entries":[]', () => `"entries":[${parts.join()}]`)
    return { plain, gzip: await compress(Buffer.from(plain), 'gzip') }
  }
}

/** An entry with what stands for its text; the text itself is not read. */
function withoutText(entry: Entry): Entry
function withoutText(entry: Entry | undefined): Entry | null
function withoutText(entry: Entry | undefined): Entry | null {
  if (!entry) return null
  const light: Record<string, unknown> = {}
  for (const key of Object.keys(entry) as (keyof Entry)[]) if (key !== 'content') light[key] = entry[key]
  const text = Object.getOwnPropertyDescriptor(entry, 'content')!
  return { ...light, content: text.get || text.value ? CONTENT_LATER : null } as Entry
}
