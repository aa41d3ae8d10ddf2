import { secondText } from '../time'
import type { Catalogue } from '../catalogue'
import type { Page } from '../model'
import { toldTimes } from './times'
import { xml, xmlDocument, xmlText } from './xml'

/** So many addresses stand in one file at most (sitemaps.org, protocol 0.9). */
export const MOST_LISTED = 50_000
const XMLNS = 'http://www.sitemaps.org/schemas/sitemap/0.9'

/** Pages that visitors come to by themselves, and not by what they have done before. */
const LISTED: ReadonlySet<Page['kind']> = new Set(['home', 'entry', 'archive', 'term', 'person', 'year', 'month'])

const listed = (catalogue: Catalogue): Page[] => catalogue.pages.filter((p) => LISTED.has(p.kind) && p.address !== '')

const addressAt = (catalogue: Catalogue, path: string): string =>
  xml('loc', {}, xmlText(catalogue.site.settings.origin + encodeURI(path)))

/** When a page changed last, where that is known: of an entry alone, what others list on their pages is not followed. */
function lastOf(catalogue: Catalogue, page: Page): string[] {
  const entry = page.entry ? catalogue.entries.get(page.entry) : undefined
  const at = entry && page.kind === 'entry' ? toldTimes(entry, catalogue).updated : null
  return at === null ? [] : [xml('lastmod', {}, secondText(at))]
}

export const sitemapPart = (part: number): string => `/sitemap-${part}.xml`

function urls(catalogue: Catalogue, pages: readonly Page[]): string {
  return xmlDocument(
    xml(
      'urlset',
      { xmlns: XMLNS },
      ...pages.map((p) => xml('url', {}, addressAt(catalogue, p.address), ...lastOf(catalogue, p))),
    ),
  )
}

/**
 * All pages of a site as a sitemap; where there are more than one file may hold, the list of its parts, and each of
 * them by its number from 1 on. Null for a part that there is not.
 */
export function sitemapOf(catalogue: Catalogue, part: number | null = null, most = MOST_LISTED): string | null {
  const pages = listed(catalogue)
  const parts = Math.ceil(pages.length / most)
  if (part !== null)
    return parts > 1 && part >= 1 && part <= parts ? urls(catalogue, pages.slice((part - 1) * most, part * most)) : null
  if (parts <= 1) return urls(catalogue, pages)
  const files = Array.from({ length: parts }, (_, i) => xml('sitemap', {}, addressAt(catalogue, sitemapPart(i + 1))))
  return xmlDocument(xml('sitemapindex', { xmlns: XMLNS }, ...files))
}
