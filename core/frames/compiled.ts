import { REGIONS, type LayoutRegion } from '../layouts/types'
import { type Catalogue, type Id, type Page, WORKING_KINDS } from '../site'
import { holds } from './circumstances'
import { type Facts, factsOf, fieldTest, keysOf, matches, narrownessOf, refinementHolds, refinementsOf } from './match'
import { compareCandidates } from './rank'
import { type Rules, outcomeOf, unusable } from './resolve'
import type {
  Candidate,
  Circumstance,
  Frame,
  Outcome,
  Refinement,
  RegionOutcome,
  Request,
  Shown,
  Target,
} from './types'

/** One covering target of one frame, with its place in the total order of all of them. */
export interface Way {
  candidate: Candidate
  frame: CompiledFrame
  covers(facts: Facts): boolean
  /** To stand in the list of what a page is looked up by is to cover it; nothing is left to ask. */
  implied: boolean
}

interface CompiledFrame {
  frame: Frame
  /** What it shows in each region, in the order of `REGIONS`; null where it passes or its layout cannot be used. */
  says: (Shown | null)[]
  excepts(facts: Facts): boolean
  /** The number of the resolving that looked at it last. */
  seen: number
}

/** After every place in the total order. */
const LAST = 0x3fffffff

const NONE: Shown = { kind: 'none' }
const PLAIN: Shown = { kind: 'plain' }
const BODY = REGIONS.indexOf('body')

/** The terms that a refinement lists, those below them included if it asks for them. */
function termsOf(refinement: Extract<Refinement, { kind: 'term' }>, catalogue: Catalogue): Set<Id> {
  return new Set(refinement.below ? refinement.terms.flatMap((t) => catalogue.termsBelow(t)) : refinement.terms)
}

function refinementTest(refinement: Refinement, catalogue: Catalogue): (facts: Facts) => boolean {
  if (refinement.kind === 'field') {
    const test = fieldTest(refinement, catalogue)
    return ({ entry }) => entry !== null && test(entry)
  }
  if (refinement.kind !== 'term') return (facts) => refinementHolds(refinement, facts, catalogue)
  const terms = termsOf(refinement, catalogue)
  return ({ entry }) => entry !== null && entry.terms.some((t) => terms.has(t))
}

/** A target as one test, with what depends on the catalogue looked up beforehand. */
function targetTest(target: Target, catalogue: Catalogue): (facts: Facts) => boolean {
  switch (target.kind) {
    case 'every':
      return () => true
    case 'type':
      return ({ entry }) => entry?.type === target.type
    case 'page':
      return ({ page }) => page.key === target.page || (page.kind === 'home' && keysOf(page).includes(target.page))
    case 'entries': {
      const tests = target.where.map((r) => refinementTest(r, catalogue))
      return (facts) =>
        facts.entry !== null &&
        (target.type === null || facts.entry.type === target.type) &&
        tests.every((test) => test(facts))
    }
    default:
      return (facts) => matches(target, facts, catalogue)
  }
}

/** Ways by what a page can be looked up by: lists of places in the total order, each ascending. */
class WayIndex {
  readonly every: number[] = []
  readonly pages = new Map<string, number[]>()
  readonly entries: number[] = []
  readonly archives: number[] = []
  readonly working: number[] = []
  readonly people: number[] = []
  readonly types = new Map<Id, number[]>()
  readonly archivesOf = new Map<Id, number[]>()
  readonly termPages = new Map<Id, number[]>()
  readonly terms = new Map<Id, number[]>()
  readonly persons = new Map<Id, number[]>()
  readonly above = new Map<Id, number[]>()
  readonly chosen = new Map<Id, number[]>()

  private static list(map: Map<Id, number[]>, key: Id): number[] {
    let list = map.get(key)
    if (!list) map.set(key, (list = []))
    return list
  }

  /** The lists in which a target stands: those of the first fact that a page can be looked up by. */
  listsOf(target: Target, catalogue: Catalogue): number[][] {
    const { list } = WayIndex
    switch (target.kind) {
      case 'every':
        return [this.every]
      case 'kind':
        return [this[target.pages]]
      case 'type':
        return [list(this.types, target.type)]
      case 'type-archives':
        return [list(this.archivesOf, target.type)]
      case 'term-pages':
        return [list(this.termPages, target.taxonomy)]
      case 'person-pages':
        return [this.people]
      case 'page':
        return [list(this.pages, target.page)]
      case 'entries':
        return this.listsOfEntries(target, catalogue)
    }
  }

  private listsOfEntries(target: Extract<Target, { kind: 'entries' }>, catalogue: Catalogue): number[][] {
    const { list } = WayIndex
    for (const r of target.where) {
      if (r.kind === 'term') return [...termsOf(r, catalogue)].map((t) => list(this.terms, t))
      if (r.kind === 'person') return [...new Set(r.people)].map((p) => list(this.persons, p))
      if (r.kind === 'below') return [...new Set(r.entries)].map((e) => list(this.above, e))
    }
    return [target.type === null ? this.entries : list(this.types, target.type)]
  }

  chosenList(frame: Id): number[] {
    return WayIndex.list(this.chosen, frame)
  }

  private readonly broad = new Map<Id, readonly number[]>()

  /** What can cover any entry of a type, as one list: it is asked for by every one of them. */
  private broadFor(type: Id): readonly number[] {
    let list = this.broad.get(type)
    if (!list) {
      const all = [...this.every, ...this.entries, ...(this.types.get(type) ?? [])]
      this.broad.set(type, (list = all.sort((a, b) => a - b)))
    }
    return list
  }

  /** Puts the lists that can hold ways to a page into `found`; gives how many there are. */
  lookUp(facts: Facts, found: (readonly number[])[]): number {
    const { page, entry, archive, above } = facts
    let n = 0
    const add = (list: readonly number[] | undefined) => {
      if (list && list.length > 0) found[n++] = list
    }
    add(entry ? this.broadFor(entry.type) : this.every)
    add(this.pages.get(page.key))
    if (page.kind === 'home') for (const key of keysOf(page).slice(1)) add(this.pages.get(key))
    if (entry) {
      for (const term of entry.terms) add(this.terms.get(term))
      if (entry.person) add(this.persons.get(entry.person))
      for (const id of above) add(this.above.get(id))
      if (entry.chosenFrame) add(this.chosen.get(entry.chosenFrame))
    }
    if (archive) {
      add(this.archives)
      if (page.type) add(this.archivesOf.get(page.type))
    }
    if (page.kind === 'term') add(this.termPages.get(page.taxonomy!))
    if (page.kind === 'person') add(this.people)
    if (WORKING_KINDS.has(page.kind)) add(this.working)
    return n
  }
}

const FACTS = new WeakMap<Catalogue, Facts[]>()

/** Facts about every page, in the order of `catalogue.pages`; made once for each state of the content. */
export function factsOfAll(catalogue: Catalogue): readonly Facts[] {
  let facts = FACTS.get(catalogue)
  if (!facts) FACTS.set(catalogue, (facts = catalogue.pages.map((page) => factsOf(catalogue, page))))
  return facts
}

/** Which circumstances hold for a request, asked once for each frame. */
class Held {
  private answers: Map<Frame, boolean> | null = null

  constructor(
    private readonly request: Request,
    private readonly timeZone: string,
  ) {}

  of(frame: Frame): boolean {
    if (frame.onlyWhen.length === 0) return true
    this.answers ??= new Map()
    let answer = this.answers.get(frame)
    if (answer === undefined) {
      answer = frame.onlyWhen.every((c) => holds(c, this.request, this.timeZone))
      this.answers.set(frame, answer)
    }
    return answer
  }
}

/** What one page shows in each region, in the order of `REGIONS`, and the way by which; null where all pass. */
export interface Decision {
  shown: Shown[]
  by: (Candidate | null)[]
}

/**
 * Rules made ready for deciding: every way in which a frame can cover a page stands in one total order, and in
 * an index by what a page can be looked up by, so that a page asks only the few that can match it.
 */
export class CompiledRules {
  private readonly frames: CompiledFrame[]
  private readonly frameAt = new Map<Id, number>()
  private readonly ways: Way[]
  private readonly index = new WayIndex()
  private readonly lists: (readonly number[])[] = []
  private readonly ends: number[] = []
  private readonly heads: number[] = []
  private count = 0

  constructor(
    readonly rules: Rules,
    readonly catalogue: Catalogue,
  ) {
    this.frames = rules.frames.map((frame, at) => {
      this.frameAt.set(frame.id, at)
      return this.compileFrame(frame)
    })
    this.ways = this.frames.filter((f) => f.frame.on).flatMap((f) => this.waysOf(f))
    this.ways.sort((a, b) => compareCandidates(a.candidate, b.candidate))
    for (const [rank, way] of this.ways.entries()) {
      for (const list of this.listsOf(way)) list.push(rank)
    }
  }

  private compileFrame(frame: Frame): CompiledFrame {
    const says = REGIONS.map((region): Shown | null => {
      const say = frame.regions[region]
      if (unusable(say, region, this.rules)) return null
      return say.kind === 'use' ? { kind: 'layout', layout: say.layout } : { kind: 'empty' }
    })
    const except = frame.except.map((t) => targetTest(t, this.catalogue))
    const excepts = except.length === 0 ? () => false : (facts: Facts) => except.some((test) => test(facts))
    return { frame, says, excepts, seen: 0 }
  }

  private waysOf(compiled: CompiledFrame): Way[] {
    const { frame } = compiled
    const ways = frame.covers.map((target, at): Way => {
      const candidate = { frame, target: at, narrowness: narrownessOf(target), refinements: refinementsOf(target) }
      const implied = target.kind !== 'entries' || target.where.length === 0
      return { candidate, frame: compiled, covers: targetTest(target, this.catalogue), implied }
    })
    if (frame.offeredTo.length === 0) return ways
    const chosen: Way = {
      candidate: { frame, target: -1, narrowness: 5, refinements: 0 },
      frame: compiled,
      covers: ({ entry }) => entry?.chosenFrame === frame.id && frame.offeredTo.includes(entry.type),
      implied: false,
    }
    return [...ways, chosen]
  }

  private listsOf({ candidate }: Way): number[][] {
    const { frame, target } = candidate
    return target < 0 ? [this.index.chosenList(frame.id)] : this.index.listsOf(frame.covers[target]!, this.catalogue)
  }

  /**
   * Visits every frame that covers a page and does not except it, best first, each once, by the way that ranks
   * highest; circumstances are not asked. Ends when `visit` gives true.
   */
  private eachCovering(facts: Facts, visit: (way: Way) => boolean): void {
    const { lists, ends, heads, ways } = this
    const n = this.index.lookUp(facts, lists)
    for (let i = 0; i < n; i++) {
      ends[i] = 0
      heads[i] = lists[i]![0]!
    }
    const resolving = ++this.count
    for (;;) {
      let least = LAST
      for (let i = 0; i < n; i++) if (heads[i]! < least) least = heads[i]!
      if (least === LAST) return
      // A way may stand in several lists of one page; it is looked at once.
      for (let i = 0; i < n; i++) {
        if (heads[i] !== least) continue
        const at = ++ends[i]!
        heads[i] = at < lists[i]!.length ? lists[i]![at]! : LAST
      }
      const way = ways[least]!
      const { frame } = way
      if (frame.seen === resolving || !(way.implied || way.covers(facts))) continue
      frame.seen = resolving
      if (!frame.excepts(facts) && visit(way)) return
    }
  }

  /** Every frame that covers a page and does not except it, best first, whatever the circumstances. */
  covering(facts: Facts): (Candidate & { says: readonly (Shown | null)[] })[] {
    const found: (Candidate & { says: readonly (Shown | null)[] })[] = []
    this.eachCovering(facts, ({ candidate, frame }) => {
      found.push({ ...candidate, says: frame.says })
      return false
    })
    return found
  }

  heldFor(request: Request): Held {
    return new Held(request, this.catalogue.site.settings.timeZone)
  }

  /** Decides every region of a page; looks no further once all are decided. */
  decide(facts: Facts, held: Held): Decision {
    const shown: Shown[] = [NONE, NONE, NONE, NONE]
    shown[BODY] = PLAIN
    const by: (Candidate | null)[] = [null, null, null, null]
    let open: number = REGIONS.length
    this.eachCovering(facts, ({ candidate, frame }) => {
      if (!held.of(frame.frame)) return false
      for (let r = 0; r < REGIONS.length; r++) {
        const say = frame.says[r]
        if (!say || by[r]) continue
        shown[r] = say
        by[r] = candidate
        open--
      }
      return open === 0
    })
    return { shown, by }
  }

  /** The way by which one frame is a candidate for a page; null when it is none. */
  wayOf(id: Id, facts: Facts, held: Held): Way | null {
    // Ways stand in rank order, so the first that covers ranks highest.
    for (const way of this.waysByFrame(id)) {
      if (!way.covers(facts)) continue
      const { frame } = way
      return frame.excepts(facts) || !held.of(frame.frame) ? null : way
    }
    return null
  }

  private byFrame: Map<Id, Way[]> | null = null

  private waysByFrame(id: Id): readonly Way[] {
    if (!this.byFrame) {
      this.byFrame = new Map()
      for (const way of this.ways) {
        const list = this.byFrame.get(way.candidate.frame.id)
        if (list) list.push(way)
        else this.byFrame.set(way.candidate.frame.id, [way])
      }
    }
    return this.byFrame.get(id) ?? []
  }

  frame(id: Id): Frame | undefined {
    const at = this.frameAt.get(id)
    return at === undefined ? undefined : this.frames[at]!.frame
  }

  layoutRegion(id: Id): LayoutRegion | undefined {
    return this.rules.layoutRegions.get(id)
  }
}

/** The outcome for one page and one request: what every region shows, and which frame decided. */
export function resolve(compiled: CompiledRules, page: Page, request: Request): Pick<Outcome, 'page' | 'regions'> {
  const { shown, by } = compiled.decide(factsOf(compiled.catalogue, page), compiled.heldFor(request))
  const regions = {} as Record<(typeof REGIONS)[number], RegionOutcome>
  for (const [r, region] of REGIONS.entries()) regions[region] = { shown: shown[r]!, by: by[r]?.frame.id ?? null }
  return { page: page.key, regions }
}

/** All candidates with the outcome, for explaining it. */
export function resolveFully(compiled: CompiledRules, page: Page, request: Request): Outcome {
  const { timeZone } = compiled.catalogue.site.settings
  const candidates: Candidate[] = []
  for (const { says: _, ...candidate } of compiled.covering(factsOf(compiled.catalogue, page))) {
    if (candidate.frame.onlyWhen.every((c) => holds(c, request, timeZone))) candidates.push(candidate)
  }
  return outcomeOf(page, candidates, compiled.rules)
}

/** The kinds of circumstance on which what a page shows may depend, whoever asks; parameters are part of the address. */
export function dependsOn(compiled: CompiledRules, page: Page): Set<Circumstance['kind']> {
  const kinds = new Set<Circumstance['kind']>()
  for (const { frame } of compiled.covering(factsOf(compiled.catalogue, page))) {
    for (const c of frame.onlyWhen) kinds.add(c.kind)
  }
  return kinds
}

/** Pages that the targets may cover, as indexes into `catalogue.pages`; null when that may be any. */
export function reachable(targets: readonly Target[], catalogue: Catalogue): Iterable<number> | null {
  const found = new Set<number>()
  const addEntries = (entries: readonly { id: Id }[]) => {
    for (const { id } of entries) {
      const at = catalogue.indexOf(`entry:${id}`)
      if (at !== undefined) found.add(at)
    }
  }
  for (const target of targets) {
    if (target.kind === 'page') {
      const at = catalogue.indexOf(target.page)
      if (at !== undefined) found.add(at)
    } else if (target.kind === 'type') addEntries(catalogue.entriesOfType(target.type))
    else if (target.kind === 'entries') {
      const r = target.where.find((w) => w.kind === 'term' || w.kind === 'person')
      if (r?.kind === 'term') for (const t of termsOf(r, catalogue)) addEntries(catalogue.entriesInTerm(t))
      else if (r?.kind === 'person') for (const p of r.people) addEntries(catalogue.entriesBy(p))
      else if (target.type !== null) addEntries(catalogue.entriesOfType(target.type))
      else return null
    } else return null
  }
  return found
}
