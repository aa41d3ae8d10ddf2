import { REGIONS } from '../tree'
import { ARCHIVE_KINDS, type Catalogue } from '../catalogue'
import type { Id, Page } from '../model'
import { type OutcomeTable, deciderAt, sameShown, shownAt } from '../rules'
import type { Shown } from '../design'

/** A group of pages on the Map, named by what it holds. `pages` are indexes into `catalogue.pages`. */
export interface PageGroup {
  key: string
  label: string
  heading: 'Front' | 'Entries' | 'Archives' | 'Working pages'
  pages: number[]
}

const SHOP_KINDS = new Set(['basket', 'checkout', 'receipt', 'order-status'])

function groupKey(page: Page): Pick<PageGroup, 'key' | 'heading'> {
  if (page.kind === 'home') return { key: 'home', heading: 'Front' }
  if (page.kind === 'entry') return { key: `type:${page.type}`, heading: 'Entries' }
  if (page.kind === 'year' || page.kind === 'month') return { key: `${page.kind}s:${page.type}`, heading: 'Archives' }
  if (page.kind === 'term') return { key: `terms:${page.taxonomy}`, heading: 'Archives' }
  if (page.kind === 'person') return { key: 'people', heading: 'Archives' }
  if (ARCHIVE_KINDS.has(page.kind)) return { key: page.key, heading: 'Archives' }
  return { key: SHOP_KINDS.has(page.kind) ? 'shop' : page.key, heading: 'Working pages' }
}

function groupLabel(page: Page, catalogue: Catalogue): string {
  if (page.kind === 'home') return 'Home'
  if (page.kind === 'entry') return catalogue.types.get(page.type!)?.plural ?? 'Entries'
  if (page.kind === 'archive') return `All ${page.title.toLowerCase()}`
  if (page.kind === 'year' || page.kind === 'month')
    return `${catalogue.types.get(page.type!)?.plural ?? 'Entries'} by ${page.kind}`
  if (page.kind === 'term') return `${catalogue.taxonomies.get(page.taxonomy!)?.name ?? 'Term'} pages`
  if (page.kind === 'person') return 'Pages of people'
  if (page.kind === 'search') return 'Search results'
  return SHOP_KINDS.has(page.kind) ? 'Basket and checkout' : page.title
}

/** All pages in the groups of the Map, in its order. */
export function groupPages(catalogue: Catalogue): PageGroup[] {
  const groups = new Map<string, PageGroup>()
  for (const [index, page] of catalogue.pages.entries()) {
    const { key, heading } = groupKey(page)
    let group = groups.get(key)
    if (!group) groups.set(key, (group = { key, heading, label: groupLabel(page, catalogue), pages: [] }))
    group.pages.push(index)
  }
  const order = ['Front', 'Entries', 'Archives', 'Working pages']
  return [...groups.values()].sort((a, b) => order.indexOf(a.heading) - order.indexOf(b.heading))
}

export interface MapRow {
  key: string
  kind: 'heading' | 'group' | 'exception' | 'page'
  label: string
  /** Pages that the row stands for; none for headings. */
  pages: readonly number[]
  /** The page to look at for all of them: one of those that show what the cells say; -1 for headings. */
  sample: number
  /** For exceptions: the frame that makes them one. */
  frame?: Id
  depth: number
}

/** One region in one row: what most of its pages show, and, where they differ, how many show what. */
export interface Cell {
  shown: Shown
  shares: { shown: Shown; count: number }[]
}

type Pages = readonly number[]

/** Keeps what is worked out for a set of pages, for as long as the table and the set are there. */
function keptFor<T>(work: (pages: Pages, table: OutcomeTable) => T): typeof work {
  const kept = new WeakMap<OutcomeTable, WeakMap<Pages, T>>()
  return (pages, table) => {
    let found = kept.get(table)
    if (!found) kept.set(table, (found = new WeakMap()))
    let result = found.get(pages)
    if (result === undefined) found.set(pages, (result = work(pages, table)))
    return result
  }
}

/** For each region, how many of some pages show what, most first. Rows ask for it, and so do their neighbours. */
const sharesOf = keptFor((pages, { cells, shown }) =>
  REGIONS.map((_, region): Cell['shares'] => {
    const counts = new Int32Array(shown.length)
    for (const page of pages) counts[cells[page * REGIONS.length + region]!]!++
    const shares = shown.map((what, cell) => ({ shown: what, count: counts[cell]! })).filter((s) => s.count > 0)
    return shares.sort((a, b) => b.count - a.count)
  }),
)

/** What a row shows in a region (its place in `REGIONS`); null for headings. Asked for only where it can be seen. */
export function cellOf(row: MapRow, region: number, table: OutcomeTable): Cell | null {
  if (row.kind === 'heading') return null
  const shown = shownAt(table, row.sample, region)
  const shares = row.kind === 'group' ? sharesOf(row.pages, table)[region]! : [{ shown, count: row.pages.length }]
  return { shown, shares }
}

/** Pages that show the same in every region, largest set first. */
const alike = keptFor(findAlike)

function findAlike(pages: Pages, { cells, shown }: OutcomeTable): number[][] {
  const sets = new Map<number, number[]>()
  for (const page of pages) {
    let key = 0
    for (let r = 0; r < REGIONS.length; r++) key = key * (shown.length + 1) + cells[page * REGIONS.length + r]!
    const set = sets.get(key)
    if (set) set.push(page)
    else sets.set(key, [page])
  }
  return [...sets.values()].sort((a, b) => b.length - a.length)
}

/** The frame that makes a page differ from another, in the first region in which they differ. */
function exceptionFrame(page: number, main: number, table: OutcomeTable): Id | undefined {
  for (const [r] of REGIONS.entries()) {
    if (sameShown(shownAt(table, page, r), shownAt(table, main, r))) continue
    const frame = deciderAt(table, page, r)
    if (frame) return frame
  }
  return undefined
}

/** A group with more different outcomes than this shows its shares only; unfolding shows the pages. */
const MOST_EXCEPTIONS = 6

function exceptionRows(group: PageGroup, [main, ...others]: number[][], table: OutcomeTable): MapRow[] {
  if (others.length === 0 || others.length > MOST_EXCEPTIONS) return []
  return others.map((set, i) => {
    const frame = exceptionFrame(set[0]!, main![0]!, table)
    return {
      key: `${group.key}/${i}`,
      kind: 'exception' as const,
      label: '',
      pages: set,
      sample: set[0]!,
      depth: 1,
      ...(frame && { frame }),
    }
  })
}

function rowsOf(group: PageGroup, catalogue: Catalogue, table: OutcomeTable, open: boolean): MapRow[] {
  const sets = alike(group.pages, table)
  const { key, label, pages } = group
  const row: MapRow = { key, kind: 'group', label, pages, sample: sets[0]![0]!, depth: 0 }
  if (!open) return [row, ...exceptionRows(group, sets, table)]
  return [
    row,
    ...pages.map((index): MapRow => {
      const page = catalogue.pages[index]!
      return { key: `page:${page.key}`, kind: 'page', label: page.title, pages: [index], sample: index, depth: 1 }
    }),
  ]
}

export interface RowOptions {
  /** Keys of the groups that are unfolded. */
  open: ReadonlySet<string>
  /** Part of a name or an address; pages that do not have it are left out, and groups unfold. */
  filter: string
}

/** The rows of the Map, from top to bottom. */
export function mapRows(
  groups: readonly PageGroup[],
  catalogue: Catalogue,
  table: OutcomeTable,
  options: RowOptions,
): MapRow[] {
  const filter = options.filter.trim().toLowerCase()
  const rows: MapRow[] = []
  let heading = ''
  for (const group of groups) {
    const pages = filter ? group.pages.filter((i) => matchesFilter(catalogue.pages[i]!, filter)) : group.pages
    if (pages.length === 0) continue
    if (group.heading !== heading) {
      heading = group.heading
      rows.push({ key: `heading:${heading}`, kind: 'heading', label: heading, pages: [], sample: -1, depth: 0 })
    }
    for (const row of rowsOf({ ...group, pages }, catalogue, table, filter !== '' || options.open.has(group.key)))
      rows.push(row)
  }
  return rows
}

function matchesFilter(page: Page, filter: string): boolean {
  return page.title.toLowerCase().includes(filter) || page.address.toLowerCase().includes(filter)
}
