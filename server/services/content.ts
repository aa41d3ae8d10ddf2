import { Formats } from '../../core/drawing'
import type { Spoilt } from '../../core/documents'
import { Catalogue, type Site } from '../../core/site'
import { CONTENT_LATER, type SiteAnswer } from '../../shared/api/types'
import { readSite } from '../database/content'
import { compress } from './encoding'
import type { Database } from '../database/open'

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

/** The content of the site, held in memory as one catalogue and read again when it changes. */
export class Content {
  catalogue = new Catalogue(EMPTY)
  formats = new Formats(EMPTY.settings)
  version = 0
  /** What is stored of the site and cannot be read; it is left out. */
  spoilt: readonly Spoilt[] = []
  private light: Promise<{ plain: string; gzip: Buffer }> | null = null

  constructor(private readonly db: Database) {}

  async reload(): Promise<void> {
    const read = await readSite(this.db, EMPTY.settings)
    this.catalogue = new Catalogue(read?.site ?? EMPTY)
    this.spoilt = read?.spoilt ?? []
    this.formats = new Formats(this.catalogue.site.settings)
    this.version = read?.version ?? 0
    this.light = null
  }

  /** The site for the studio, as JSON, without the content of its entries. Made once for each version. */
  lightAnswer(): Promise<{ plain: string; gzip: Buffer }> {
    return (this.light ??= this.makeLight())
  }

  private async makeLight(): Promise<{ plain: string; gzip: Buffer }> {
    const { site } = this.catalogue
    const entries = site.entries.map((e) => (e.content ? { ...e, content: CONTENT_LATER } : e))
    const answer: SiteAnswer = { site: { ...site, entries }, version: this.version, spoilt: [...this.spoilt] }
    const plain = JSON.stringify(answer)
    return { plain, gzip: await compress(Buffer.from(plain), 'gzip') }
  }
}
