import { ARCHIVE_KINDS, type Catalogue, type Entry, type Page } from '../site'

/** What matching asks about a page; made once for each page. */
export interface Facts {
  page: Page
  entry: Entry | null
  /** The page shows an archive: an archive page, or home when it shows one. */
  archive: boolean
  /** Ids of the entries above the entry in the page tree. */
  above: readonly string[]
}

export function factsOf(catalogue: Catalogue, page: Page): Facts {
  const entry = page.entry ? (catalogue.entries.get(page.entry) ?? null) : null
  const archive = ARCHIVE_KINDS.has(page.kind) || (page.kind === 'home' && !page.entry && !!page.type)
  return { page, entry, archive, above: entry ? catalogue.ancestors(entry) : [] }
}

/** Home is also the page of the entry or archive that it shows. */
export function keysOf(page: Page): string[] {
  if (page.kind !== 'home') return [page.key]
  if (page.entry) return [page.key, `entry:${page.entry}`]
  return page.type ? [page.key, `archive:${page.type}`] : [page.key]
}

export type Test = (facts: Facts) => boolean
