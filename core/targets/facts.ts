import { REGIONS } from '../tree'
import { ARCHIVE_KINDS, type Catalogue, isLeftOut, subjectOf } from '../catalogue'
import type { Entry, LeftOut, Page } from '../model'

/** What matching asks about a page; made once for each page. */
export interface Facts {
  page: Page
  entry: Entry | null
  /** The page shows an archive: an archive page, or home when it shows one. */
  archive: boolean
  /** Ids of the entries above the entry in the page tree. */
  above: readonly string[]
  /** The regions that its entry itself leaves out, as bits in the order of `REGIONS`: no rule is asked for them. */
  leftOut: number
}

/** Regions whose writer may leave them out; the body is never left out as a whole. */
const MAY_BE_LEFT_OUT: ReadonlySet<string> = new Set<LeftOut>(['header', 'intro', 'footer'])

function leftOutOf(catalogue: Catalogue, page: Page, entry: Entry | null): number {
  if (!entry?.leftOut?.length) return 0
  const subject = subjectOf(catalogue, page)
  return REGIONS.reduce(
    (bits, region, r) =>
      MAY_BE_LEFT_OUT.has(region) && isLeftOut(region as LeftOut, subject) ? bits | (1 << r) : bits,
    0,
  )
}

export function factsOf(catalogue: Catalogue, page: Page): Facts {
  const entry = page.entry ? (catalogue.entries.get(page.entry) ?? null) : null
  const archive = ARCHIVE_KINDS.has(page.kind) || (page.kind === 'home' && !page.entry && !!page.type)
  const above = entry ? catalogue.ancestors(entry) : []
  return { page, entry, archive, above, leftOut: leftOutOf(catalogue, page, entry) }
}

/** Home is also the page of the entry or archive that it shows. */
export function keysOf(page: Page): string[] {
  if (page.kind !== 'home') return [page.key]
  if (page.entry) return [page.key, `entry:${page.entry}`]
  return page.type ? [page.key, `archive:${page.type}`] : [page.key]
}

export type Test = (facts: Facts) => boolean
