import { Formats } from '../../core/drawing'
import type { Spoilt } from '../../core/documents'
import { Catalogue, type Entry, type Seen, type Site } from '../../core/site'
import { CONTENT_LATER, type SiteAnswer } from '../../shared/api/types'
import { MENUS_CHANGED, readChanges, readMenus, readSite } from '../database/content'
import { readEntriesBy } from '../database/entries'
import { readPicture } from '../database/pictures'
import { compress } from './encoding'
import type { Database } from '../database/open'
import { searchEntries } from './search'
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

/** What may read otherwise after a change of the content: what was made of these keys, or anything at all. */
export type Stale = Seen | 'all'

/** The content of the site, held in memory as one catalogue that follows what is stored. */
export class Content {
  catalogue = new Catalogue(EMPTY)
  formats = new Formats(EMPTY.settings)
  version = 0
  /** What is stored of the site and cannot be read; it is left out. */
  spoilt: readonly Spoilt[] = []
  private light: Promise<{ plain: string; gzip: Buffer }> | null = null
  private readonly texts: Texts
  private following: Promise<unknown> = Promise.resolve()

  constructor(private readonly db: Database) {
    this.texts = new Texts(db)
  }

  /** Reads everything anew. */
  async reload(): Promise<void> {
    const read = await readSite(this.db, EMPTY.settings, (entry) => this.texts.lighten(entry))
    this.catalogue = new Catalogue(read?.site ?? EMPTY)
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
    // Where something is spoilt, what is told of it is told anew.
    if (entries === null || this.spoilt.length > 0) {
      await this.reload()
      return 'all'
    }
    const ids = entries.filter((id) => !id.startsWith(PICTURE) && id !== MENUS_CHANGED)
    const menus = entries.includes(MENUS_CHANGED) ? (await readMenus(this.db, [])).menus : null
    const found = new Map((await readEntriesBy(this.db, ids)).map(({ entry }) => [entry.id, entry]))
    const pictures = entries.filter((id) => id.startsWith(PICTURE)).map((id) => id.slice(PICTURE.length))
    const shown = await Promise.all(pictures.map(async (id) => [id, await readPicture(this.db, id)] as const))
    // From here on at once: nobody sees half of it.
    for (const id of ids) this.texts.drop(id)
    const stale = this.catalogue.follow(ids.map((id) => ({ id, entry: this.lightened(found.get(id)) })))
    for (const [id, stored] of shown)
      for (const key of this.catalogue.followPicture(id, stored && !stored.removed ? stored.picture : null))
        stale.add(key)
    if (menus) for (const key of this.catalogue.followMenus(menus)) stale.add(key)
    this.version = version
    this.light = null
    return stale
  }

  private lightened(entry: Entry | undefined): Entry | null {
    return entry ? this.texts.lighten(entry) : null
  }

  /** Entries that are out and hold some words, best first. */
  search(words: string): Promise<Entry[]> {
    return searchEntries(this.db, this.catalogue, words)
  }

  /** Ends what reads beside the database. */
  end(): void {
    this.texts.end()
  }

  /** Takes over what time has done to entries that are out from or until a moment. */
  turn(now = Date.now()): { turned: number; stale: Seen } {
    const { turned, stale } = this.catalogue.turn(now)
    if (turned.length > 0) this.light = null
    return { turned: turned.length, stale }
  }

  /** The site for the studio, as JSON, without the content of its entries. Made once for each version. */
  lightAnswer(): Promise<{ plain: string; gzip: Buffer }> {
    return (this.light ??= this.makeLight())
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
function withoutText(entry: Entry): Record<string, unknown> {
  const light: Record<string, unknown> = {}
  for (const key of Object.keys(entry) as (keyof Entry)[]) if (key !== 'content') light[key] = entry[key]
  const text = Object.getOwnPropertyDescriptor(entry, 'content')!
  return { ...light, content: text.get || text.value ? CONTENT_LATER : null }
}
