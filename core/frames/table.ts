import { REGIONS, type Region } from '../layouts/types'
import type { Catalogue, Id, Page } from '../site'
import { resolveInTurn, type Rules } from './resolve'
import type { Request, Shown } from './types'

/**
 * The outcome of every page, packed: for page `i` and region `r` (in the order of `REGIONS`), `shown[cells[4i + r]]`
 * is what it shows and `frames[deciders[4i + r]]` the frame that decided; -1 for none. It can be handed from a
 * worker without copying.
 */
export interface OutcomeTable {
  shown: Shown[]
  frames: Id[]
  cells: Int32Array
  deciders: Int32Array
}

const keyOf = (shown: Shown): string => (shown.kind === 'layout' ? shown.layout : `/${shown.kind}`)

/** Resolves every page of the site for one request. */
export function tabulate(rules: Rules, catalogue: Catalogue, request: Request): OutcomeTable {
  const { pages } = catalogue
  const cells = new Int32Array(pages.length * REGIONS.length)
  const deciders = new Int32Array(pages.length * REGIONS.length)
  const shown: Shown[] = []
  const frames: Id[] = []
  const shownAt = new Map<string, number>()
  const frameAt = new Map<Id, number>()
  const place = <T>(index: Map<string, number>, list: T[], key: string, value: T): number => {
    let at = index.get(key)
    if (at === undefined) {
      at = list.push(value) - 1
      index.set(key, at)
    }
    return at
  }
  let i = 0
  for (const page of pages) {
    const outcome = resolveInTurn(rules, catalogue, page, request)
    for (const region of REGIONS) {
      const { shown: what, by } = outcome.regions[region]
      cells[i] = place(shownAt, shown, keyOf(what), what)
      deciders[i++] = by === null ? -1 : place(frameAt, frames, by, by)
    }
  }
  return { shown, frames, cells, deciders }
}

export function shownAt(table: OutcomeTable, page: number, region: number): Shown {
  return table.shown[table.cells[page * REGIONS.length + region]!]!
}

export function deciderAt(table: OutcomeTable, page: number, region: number): Id | null {
  return table.frames[table.deciders[page * REGIONS.length + region]!] ?? null
}

/** One change that an edit makes: what a region of a page showed, and what it would show. */
export interface Impact {
  /** Index of the page in `catalogue.pages`. */
  page: number
  region: Region
  from: Shown
  to: Shown
}

/** What differs between the outcomes under two designs: exactly the pages and regions that show something else. */
export function compareTables(before: OutcomeTable, after: OutcomeTable): Impact[] {
  const changes: Impact[] = []
  for (let i = 0; i < before.cells.length; i++) {
    const from = before.shown[before.cells[i]!]!
    const to = after.shown[after.cells[i]!]!
    if (keyOf(from) === keyOf(to)) continue
    changes.push({ page: Math.floor(i / REGIONS.length), region: REGIONS[i % REGIONS.length]!, from, to })
  }
  return changes
}

/** On how many pages each layout shows, by its id. */
export function layoutReach(table: OutcomeTable): Map<Id, number> {
  const reach = new Map<Id, number>()
  for (const cell of table.cells) {
    const what = table.shown[cell]!
    if (what.kind === 'layout') reach.set(what.layout, (reach.get(what.layout) ?? 0) + 1)
  }
  return reach
}

/** On how many pages each frame decides at least one region, by its id. */
export function frameReach(table: OutcomeTable): Map<Id, number> {
  const reach = new Map<Id, number>()
  const seen = new Set<number>()
  for (let i = 0; i < table.deciders.length; i++) {
    if (i % REGIONS.length === 0) seen.clear()
    const at = table.deciders[i]!
    if (at < 0 || seen.has(at)) continue
    seen.add(at)
    const id = table.frames[at]!
    reach.set(id, (reach.get(id) ?? 0) + 1)
  }
  return reach
}

/** The pages on which a layout shows. */
export function pagesOfLayout(table: OutcomeTable, pages: readonly Page[], layout: Id): Page[] {
  return pages.filter((_, i) =>
    REGIONS.some((_r, r) => {
      const what = shownAt(table, i, r)
      return what.kind === 'layout' && what.layout === layout
    }),
  )
}

export function sameShown(a: Shown, b: Shown): boolean {
  return keyOf(a) === keyOf(b)
}
