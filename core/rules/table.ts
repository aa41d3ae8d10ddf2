import { hasWork } from '../elements'
import { REGIONS, type Region } from '../tree'
import type { Catalogue } from '../catalogue'
import type { Id, Page } from '../model'
import { type CompiledRules, factsOfAll } from './compiled'
import { compareCandidates } from './rank'
import { reachable } from './reach'
import type { Request } from '../conditions'
import type { Candidate } from './types'
import type { DisplayRule, Shown } from '../design'

/** By what a frame came to decide; enough to rank it again. */
export interface Decider {
  frame: Id
  narrowness: Candidate['narrowness']
  refinements: number
}

/**
 * The outcome of every page, packed: for page `i` and region `r` (in the order of `REGIONS`), `shown[cells[4i + r]]`
 * is what it shows and `deciding[deciders[4i + r]]` the frame that decided; -1 for none. It can be handed from a
 * worker as it is.
 */
export interface OutcomeTable {
  shown: Shown[]
  deciding: Decider[]
  cells: Int32Array
  deciders: Int32Array
}

const keyOf = (shown: Shown): string => (shown.kind === 'layout' ? shown.layout : `/${shown.kind}`)

/** Gives every different thing a number, and keeps the list of them. */
class Numbers<T> {
  private readonly at = new Map<string, number>()

  constructor(
    readonly list: T[],
    private readonly keyOf: (value: T) => string,
  ) {
    for (const [i, value] of list.entries()) this.at.set(keyOf(value), i)
  }

  of(value: T): number {
    const key = this.keyOf(value)
    let at = this.at.get(key)
    if (at === undefined) this.at.set(key, (at = this.list.push(value) - 1))
    return at
  }
}

const deciderKey = (d: Decider): string => `${d.frame} ${d.narrowness} ${d.refinements}`

/** Writes decisions into a table. */
class TableWriter {
  private readonly shown: Numbers<Shown>
  private readonly deciding: Numbers<Decider>
  private readonly numbers = new Map<Candidate, number>()

  constructor(readonly table: OutcomeTable) {
    this.shown = new Numbers(table.shown, keyOf)
    this.deciding = new Numbers(table.deciding, deciderKey)
  }

  write(at: number, shown: Shown, by: Candidate | null): void {
    this.table.cells[at] = this.shown.of(shown)
    this.table.deciders[at] = by === null ? -1 : this.numberOf(by)
  }

  /** Ways are the same objects over and over, so most are found without a key. */
  private numberOf(by: Candidate): number {
    let number = this.numbers.get(by)
    if (number === undefined) {
      number = this.deciding.of({ frame: by.frame.id, narrowness: by.narrowness, refinements: by.refinements })
      this.numbers.set(by, number)
    }
    return number
  }
}

/** Resolves every page of the site for one request. */
export function tabulate(compiled: CompiledRules, request: Request): OutcomeTable {
  const { pages } = compiled.catalogue
  const size = pages.length * REGIONS.length
  const table: OutcomeTable = { shown: [], deciding: [], cells: new Int32Array(size), deciders: new Int32Array(size) }
  const writer = new TableWriter(table)
  const held = compiled.heldFor(request)
  const facts = factsOfAll(compiled.catalogue)
  for (let i = 0; i < pages.length; i++) {
    const { shown, by } = compiled.decide(facts[i]!, held)
    for (let r = 0; r < REGIONS.length; r++) writer.write(i * REGIONS.length + r, shown[r]!, by[r]!)
  }
  return table
}

/**
 * The table after one frame was added, changed or removed, computed from the table before: a page is resolved
 * again only where the frame decided and may have lost its place. Equals `tabulate(after, request)`.
 */
export function retabulate(
  table: OutcomeTable,
  before: CompiledRules,
  after: CompiledRules,
  changed: Id,
  request: Request,
): OutcomeTable {
  const next = {
    shown: [...table.shown],
    deciding: [...table.deciding],
    cells: table.cells.slice(),
    deciders: table.deciders.slice(),
  }
  const writer = new TableWriter(next)
  const [heldBefore, held] = [before.heldFor(request), after.heldFor(request)]
  const allFacts = factsOfAll(after.catalogue)
  for (const i of pagesToLookAt(before.frame(changed), after.frame(changed), after.catalogue)) {
    const facts = allFacts[i]!
    const was = before.wayOf(changed, facts, heldBefore)
    const is = after.wayOf(changed, facts, held)
    if (!was && !is) continue
    // What one region shows of these says what another does.
    if (facts.leftOut || hasWork(facts.page.kind)) {
      const { shown, by } = after.decide(facts, held)
      for (let r = 0; r < REGIONS.length; r++) writer.write(i * REGIONS.length + r, shown[r]!, by[r]!)
      continue
    }
    for (let r = 0; r < REGIONS.length; r++) {
      const at = i * REGIONS.length + r
      const decider = table.deciding[table.deciders[at]!] ?? null
      const say = is?.frame.says[r] ?? null
      if (decider?.frame === changed) {
        if (is && say && was && compareCandidates(is.candidate, was.candidate) <= 0) writer.write(at, say, is.candidate)
        else {
          const { shown, by } = after.decide(facts, held)
          writer.write(at, shown[r]!, by[r]!)
        }
      } else if (is && say && (!decider || compareCandidates(is.candidate, asCandidate(decider, after)) < 0)) {
        writer.write(at, say, is.candidate)
      }
    }
  }
  return next
}

/** The pages that a frame covered or covers; all of them where that cannot be told from its targets. */
function pagesToLookAt(
  was: DisplayRule | undefined,
  is: DisplayRule | undefined,
  catalogue: Catalogue,
): Iterable<number> {
  const offered = [was, is].some((f) => f && f.offeredTo.length > 0)
  const found = offered ? null : reachable([...(was?.covers ?? []), ...(is?.covers ?? [])], catalogue)
  return found ?? catalogue.pages.keys()
}

function asCandidate({ frame, narrowness, refinements }: Decider, compiled: CompiledRules): Candidate {
  return { frame: compiled.frame(frame)!, target: 0, narrowness, refinements }
}

export function shownAt(table: OutcomeTable, page: number, region: number): Shown {
  return table.shown[table.cells[page * REGIONS.length + region]!]!
}

export function deciderAt(table: OutcomeTable, page: number, region: number): Id | null {
  return table.deciding[table.deciders[page * REGIONS.length + region]!]?.frame ?? null
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
  const numbers = new Numbers([...after.shown], keyOf)
  const same = before.shown.map((shown) => numbers.of(shown))
  for (let i = 0; i < before.cells.length; i++) {
    if (same[before.cells[i]!] === after.cells[i]) continue
    const [from, to] = [before.shown[before.cells[i]!]!, after.shown[after.cells[i]!]!]
    changes.push({ page: Math.floor(i / REGIONS.length), region: REGIONS[i % REGIONS.length]!, from, to })
  }
  return changes
}

/** On how many pages each layout shows, by its id. */
export function layoutReach(table: OutcomeTable): Map<Id, number> {
  const counts = new Int32Array(table.shown.length)
  for (const cell of table.cells) counts[cell]!++
  return new Map(table.shown.flatMap((s, i) => (s.kind === 'layout' && counts[i]! > 0 ? [[s.layout, counts[i]!]] : [])))
}

/** Which frames show each layout, with on how many pages, most first. */
export function usesOfLayouts(table: OutcomeTable): Map<Id, { frame: Id; pages: number }[]> {
  const counts = new Map<string, { layout: Id; frame: Id; pages: number; last: number }>()
  for (let i = 0; i < table.cells.length; i++) {
    const shown = table.shown[table.cells[i]!]!
    const by = table.deciding[table.deciders[i]!]?.frame
    if (shown.kind !== 'layout' || by === undefined) continue
    const key = `${shown.layout} ${by}`
    const count = counts.get(key) ?? { layout: shown.layout, frame: by, pages: 0, last: -1 }
    const page = Math.floor(i / REGIONS.length)
    if (count.last !== page) count.pages++
    count.last = page
    counts.set(key, count)
  }
  const uses = new Map<Id, { frame: Id; pages: number }[]>()
  for (const { layout, frame, pages } of counts.values())
    uses.set(layout, [...(uses.get(layout) ?? []), { frame, pages }])
  for (const list of uses.values()) list.sort((a, b) => b.pages - a.pages)
  return uses
}

/** On how many pages each frame decides at least one region, by its id. */
export function frameReach(table: OutcomeTable): Map<Id, number> {
  const frames = [...new Set(table.deciding.map((d) => d.frame))]
  const frameAt = Int32Array.from(table.deciding, (d) => frames.indexOf(d.frame))
  const counts = new Int32Array(frames.length)
  const lastPage = new Int32Array(frames.length).fill(-1)
  for (let i = 0; i < table.deciders.length; i++) {
    const decider = table.deciders[i]!
    if (decider < 0) continue
    const frame = frameAt[decider]!
    const page = Math.floor(i / REGIONS.length)
    if (lastPage[frame] === page) continue
    lastPage[frame] = page
    counts[frame]!++
  }
  return new Map(frames.flatMap((id, i) => (counts[i]! > 0 ? [[id, counts[i]!]] : [])))
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
