import type { Formats } from '../drawing'
import { type Catalogue, ARCHIVE_KINDS } from '../catalogue'
import type { Page } from '../model'
import { atomOf } from './atom'
import { calendarOf } from './calendar'
import { manifestOf, searchDescription } from './site-files'
import { sitemapOf } from './sitemap'
import { startField } from './starts'

/** Files that stand beside the pages of a site, each at an address of its own. */

export interface MachineFile {
  type: string
  text: string
}

const FEED = 'atom.xml'
const CALENDAR = 'calendar.ics'

const below = (page: Page, file: string): string => `${page.address === '/' ? '' : page.address}/${file}`

const hasFeed = (page: Page): boolean => page.kind === 'home' || ARCHIVE_KINDS.has(page.kind)

/** Whether a page, or what it lists, takes place at moments. */
function hasCalendar(page: Page, catalogue: Catalogue): boolean {
  const type = page.type ? catalogue.types.get(page.type) : undefined
  if (page.kind === 'entry')
    return startField(catalogue.types.get(catalogue.entries.get(page.entry!)?.type ?? '')) !== null
  return page.kind !== 'home' && startField(type) !== null
}

/** The files that go with a page: what the head of it names. */
export function machineLinks(page: Page, catalogue: Catalogue): { type: string; address: string }[] {
  if (!page.address) return []
  return [
    ...(hasFeed(page) ? [{ type: 'application/atom+xml', address: below(page, FEED) }] : []),
    ...(hasCalendar(page, catalogue) ? [{ type: 'text/calendar', address: below(page, CALENDAR) }] : []),
  ]
}

const SITEMAP = /^\/sitemap(?:-(\d{1,6}))?\.xml$/

/** What browsers ask for by themselves: how the site is searched, and how it stands among other applications. */
export const SEARCH_FILE = '/opensearch.xml'
export const MANIFEST = '/site.webmanifest'

/** What stands at an address for programs: a list of pages by its part, or a file that goes with a page or the site. */
type At =
  | { kind: 'sitemap'; part: number | null }
  | { kind: 'feed' | 'calendar'; page: Page }
  | { kind: 'opensearch' | 'manifest' }

function at(catalogue: Catalogue, path: string): At | null {
  if (!/\.(xml|ics|webmanifest)$/.test(path) || catalogue.pageAt(path)) return null
  if (path === MANIFEST) return { kind: 'manifest' }
  if (path === SEARCH_FILE) return catalogue.site.settings.search === false ? null : { kind: 'opensearch' }
  const sitemap = SITEMAP.exec(path)
  if (sitemap) return { kind: 'sitemap', part: sitemap[1] ? Number(sitemap[1]) : null }
  const end = path.lastIndexOf('/')
  const page = catalogue.pageAt(path.slice(0, end) || '/')
  const file = path.slice(end + 1)
  if (page && file === FEED && hasFeed(page)) return { kind: 'feed', page }
  return page && file === CALENDAR && hasCalendar(page, catalogue) ? { kind: 'calendar', page } : null
}

/** Whether something stands at an address for programs. */
export const isMachineAddress = (catalogue: Catalogue, path: string): boolean => at(catalogue, path) !== null

function textOf(found: At, path: string, catalogue: Catalogue, formats: Formats): string | null {
  if (found.kind === 'sitemap') return sitemapOf(catalogue, found.part)
  if (!('page' in found)) return found.kind === 'opensearch' ? searchDescription(catalogue) : manifestOf(catalogue)
  const { page } = found
  if (found.kind === 'feed') return atomOf(catalogue, formats, page, path)
  const entry = page.kind === 'entry' ? catalogue.entries.get(page.entry!) : undefined
  return calendarOf(catalogue, entry ? [entry] : catalogue.listing(page), formats)
}

const TYPES: Readonly<Record<At['kind'], string>> = {
  sitemap: 'application/xml',
  feed: 'application/atom+xml',
  calendar: 'text/calendar',
  opensearch: 'application/opensearchdescription+xml',
  manifest: 'application/manifest+json',
}

/** The file at an address; null where a page stands there, or nothing. */
export function machineFile(catalogue: Catalogue, formats: Formats, path: string): MachineFile | null {
  const found = at(catalogue, path)
  const text = found && textOf(found, path, catalogue, formats)
  return found && text !== null ? { type: `${TYPES[found.kind]}; charset=utf-8`, text: text! } : null
}
