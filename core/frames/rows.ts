import { REGIONS } from '../layouts/types'
import { ARCHIVE_KINDS, type Catalogue, type Id, type Page } from '../site'
import { type OutcomeTable, deciderAt, sameShown, shownAt } from './table'
import type { Shown } from './types'

/** A group of pages on the Map, named by what it holds. `pages` are indexes into `catalogue.pages`. */
export interface PageGroup {
  key: string
  label: string
  heading: 'Front' | 'Entries' | 'Archives' | 'Working pages'
  pages: number[]
}

function groupKey(page: Page): Pick<PageGroup, 'key' | 'heading'> {
  if (page.kind === 'home') return { key: 'home', heading: 'Front' }
  if (page.kind === 'entry') return { key: `type:${page.type}`, heading: 'Entries' }
  if (page.kind === 'month') return { key: `months:${page.type}`, heading: 'Archives' }
  if (page.kind === 'term') return { key: `terms:${page.taxonomy}`, heading: 'Archives' }
  if (page.kind === 'person') return { key: 'people', heading: 'Archives' }
  if (ARCHIVE_KINDS.has(page.kind)) return { key: page.key, heading: 'Archives' }
  const shop = page.kind === 'basket' || page.kind === 'checkout' || page.kind === 'receipt'
  return { key: shop ? 'shop' : page.key, heading: 'Working pages' }
}

function groupLabel(page: Page, catalogue: Catalogue): string {
  if (page.kind === 'home') return 'Home'
  if (page.kind === 'entry') return catalogue.types.get(page.type!)?.plural ?? 'Entries'
  if (page.kind === 'archive') return `All ${page.title.toLowerCase()}`
  if (page.kind === 'month') return `${catalogue.types.get(page.type!)?.plural ?? 'Entries'} by month`
  if (page.kind === 'term') return `${catalogue.taxonomies.get(page.taxonomy!)?.name ?? 'Term'} pages`
  if (page.kind === 'person') return 'Pages of people'
  if (page.kind === 'search') return 'Search results'
  return page.kind === 'basket' || page.kind === 'checkout' || page.kind === 'receipt'
    ? 'Basket and checkout'
    : page.title
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

/** One region in one row: what most of its pages show, and the rest if they differ. */
export interface Cell {
  shown: Shown
  shares: { shown: Shown; count: number }[]
}

export interface MapRow {
  key: string
  kind: 'heading' | 'group' | 'exception' | 'page'
  label: string
  /** Pages that the row stands for. */
  pages: number[]
  /** The page to look at for all of them: one of those that show what the cells say. */
  sample: number
  /** For headings: null. */
  cells: Cell[] | null
  /** For exceptions: the frame that makes them one. */
  frame?: Id
  depth: number
}

/** Pages that show the same in every region, largest set first. */
function alike(pages: readonly number[], table: OutcomeTable): number[][] {
  const sets = new Map<string, number[]>()
  for (const page of pages) {
    const key = REGIONS.map((_, r) => table.cells[page * REGIONS.length + r]).join(' ')
    const set = sets.get(key)
    if (set) set.push(page)
    else sets.set(key, [page])
  }
  return [...sets.values()].sort((a, b) => b.length - a.length)
}

function cellsOf(main: readonly number[], pages: readonly number[], table: OutcomeTable): Cell[] {
  return REGIONS.map((_, r) => {
    const counts = new Map<number, number>()
    for (const page of pages) {
      const cell = table.cells[page * REGIONS.length + r]!
      counts.set(cell, (counts.get(cell) ?? 0) + 1)
    }
    const shares = [...counts]
      .map(([cell, count]) => ({ shown: table.shown[cell]!, count }))
      .sort((a, b) => b.count - a.count)
    return { shown: shownAt(table, main[0]!, r), shares }
  })
}

/** The frame that makes a set of pages differ from the main one, in the first region in which they differ. */
function exceptionFrame(set: readonly number[], main: readonly number[], table: OutcomeTable): Id | undefined {
  for (const [r] of REGIONS.entries()) {
    if (sameShown(shownAt(table, set[0]!, r), shownAt(table, main[0]!, r))) continue
    const frame = deciderAt(table, set[0]!, r)
    if (frame) return frame
  }
  return undefined
}

/** A group with more different outcomes than this shows its shares only; unfolding shows the pages. */
const MOST_EXCEPTIONS = 6

function exceptionRows(group: PageGroup, sets: number[][], table: OutcomeTable): MapRow[] {
  const [main, ...others] = sets
  if (others.length === 0 || others.length > MOST_EXCEPTIONS) return []
  return others.map((set, i) => ({
    key: `${group.key}/${i}`,
    kind: 'exception' as const,
    label: '',
    pages: set,
    sample: set[0]!,
    cells: cellsOf(set, set, table),
    frame: exceptionFrame(set, main!, table),
    depth: 1,
  }))
}

function rowsOf(group: PageGroup, catalogue: Catalogue, table: OutcomeTable, open: boolean): MapRow[] {
  const sets = alike(group.pages, table)
  const rows: MapRow[] = [
    {
      key: group.key,
      kind: 'group',
      label: group.label,
      pages: group.pages,
      sample: sets[0]![0]!,
      cells: cellsOf(sets[0]!, group.pages, table),
      depth: 0,
    },
  ]
  if (!open) return [...rows, ...exceptionRows(group, sets, table)]
  for (const index of group.pages) {
    const page = catalogue.pages[index]!
    rows.push({
      key: `page:${page.key}`,
      kind: 'page',
      label: page.title,
      pages: [index],
      sample: index,
      cells: cellsOf([index], [index], table),
      depth: 1,
    })
  }
  return rows
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
      rows.push({
        key: `heading:${heading}`,
        kind: 'heading',
        label: heading,
        pages: [],
        sample: -1,
        cells: null,
        depth: 0,
      })
    }
    rows.push(...rowsOf({ ...group, pages }, catalogue, table, filter !== '' || options.open.has(group.key)))
  }
  return rows
}

function matchesFilter(page: Page, filter: string): boolean {
  return page.title.toLowerCase().includes(filter) || page.address.toLowerCase().includes(filter)
}
