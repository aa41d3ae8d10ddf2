import { REGIONS, type LayoutRegion } from '../tree'
import type { Catalogue } from '../catalogue'
import type { Id, Page } from '../model'
import { holds, type Request } from '../conditions'
import { type Facts, factsOf, narrownessOf, refinementsOf, targetSpec, targetTest, WayIndex } from '../targets'
import { compareCandidates } from './rank'
import { reachable } from './reach'
import { type RuleSet, lackingHere, outcomeOf, unusable } from './resolve'
import type { Candidate, Outcome, RegionOutcome } from './types'
import type { DisplayRule, Shown } from '../design'

/** One covering target of one frame, with its place in the total order of all of them. */
export interface Way {
  candidate: Candidate
  frame: CompiledFrame
  covers(facts: Facts): boolean
  /** To stand in the list of what a page is looked up by is to cover it; nothing is left to ask. */
  implied: boolean
}

interface CompiledFrame {
  frame: DisplayRule
  /** What it shows in each region, in the order of `REGIONS`; null where it passes or its layout cannot be used. */
  says: (Shown | null)[]
  excepts(facts: Facts): boolean
  /** The number of the resolving that looked at it last. */
  seen: number
}

/** After every place in the total order. */
const LAST = 0x3fffffff

/** Regions as bits, in the order of `REGIONS`; one bit more stands for the frame itself, whatever it says. */
const ALL_REGIONS = (1 << REGIONS.length) - 1
const ITSELF = 1 << REGIONS.length

const EMPTY: Shown = { kind: 'empty' }
const NONE: Shown = { kind: 'none' }
const PLAIN: Shown = { kind: 'plain' }
const NOTHING: readonly string[] = []
const BODY = REGIONS.indexOf('body')

const FACTS = new WeakMap<object, Facts[]>()

/** Facts about every page, in the order of `catalogue.pages`; made once for each state of the content. */
export function factsOfAll(catalogue: Catalogue): readonly Facts[] {
  let facts = FACTS.get(catalogue.state)
  if (!facts) FACTS.set(catalogue.state, (facts = catalogue.pages.map((page) => factsOf(catalogue, page))))
  return facts
}

/**
 * Pages that a frame covers and does not except, as indexes into `catalogue.pages`: what its conditions come to,
 * whoever looks and whatever other frames say.
 */
export function pagesCovered(frame: Pick<DisplayRule, 'covers' | 'except'>, catalogue: Catalogue): number[] {
  const covers = frame.covers.map((t) => targetTest(t, catalogue))
  const except = frame.except.map((t) => targetTest(t, catalogue))
  const all = factsOfAll(catalogue)
  const fits = (facts: Facts) => covers.some((test) => test(facts)) && !except.some((test) => test(facts))
  return [...(reachable(frame.covers, catalogue) ?? all.keys())].filter((i) => fits(all[i]!)).sort((a, b) => a - b)
}

/** Which circumstances hold for a request, asked once for each frame. */
class CircumstanceState {
  private answers: Map<DisplayRule, boolean> | null = null

  constructor(
    private readonly request: Request,
    private readonly timeZone: string,
  ) {}

  of(frame: DisplayRule): boolean {
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
  /** What the body that was decided on lacks for the work of the page; the plain body is shown instead then. */
  lacking: readonly string[]
}

/**
 * Rules made ready for deciding: every way in which a frame can cover a page stands in one total order, and in
 * an index by what a page can be looked up by, so that a page asks only the few that can match it.
 */
export class CompiledRules {
  private readonly frames: CompiledFrame[]
  private readonly frameAt = new Map<Id, number>()
  private readonly ways: Way[]
  /** What the frame of each way has a say on, as bits: looked at before anything else. */
  private readonly masks: Uint8Array
  private readonly index = new WayIndex()
  private readonly lists: (readonly number[])[] = []
  private readonly ends: number[] = []
  private readonly heads: number[] = []
  private count = 0

  constructor(
    readonly rules: RuleSet,
    readonly catalogue: Catalogue,
  ) {
    this.frames = rules.frames.map((frame, at) => {
      this.frameAt.set(frame.id, at)
      return this.compileFrame(frame)
    })
    this.ways = this.frames.filter((f) => f.frame.on).flatMap((f) => this.waysOf(f))
    this.ways.sort((a, b) => compareCandidates(a.candidate, b.candidate))
    this.masks = Uint8Array.from(this.ways, ({ frame }) =>
      frame.says.reduce((mask, say, r) => (say ? mask | (1 << r) : mask), ITSELF),
    )
    for (const [rank, way] of this.ways.entries()) {
      for (const list of this.listsOf(way)) list.push(rank)
    }
  }

  private compileFrame(frame: DisplayRule): CompiledFrame {
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
      return {
        candidate,
        frame: compiled,
        covers: targetTest(target, this.catalogue),
        implied: targetSpec(target).implied(target),
      }
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
    if (target < 0) return [this.index.chosenList(frame.id)]
    const covers = frame.covers[target]!
    return targetSpec(covers)
      .lists(covers, this.catalogue)
      .map((l) => this.index.listAt(l))
  }

  /**
   * Visits every frame that covers a page and does not except it, best first, each once, by the way that ranks
   * highest; circumstances are not asked. Only frames with a say on what is `wanted` are visited; `visit` gives
   * what is wanted from then on, and nothing ends it.
   */
  private eachCovering(facts: Facts, wanted: number, visit: (way: Way) => number): void {
    const { lists, ends, heads, ways, masks } = this
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
      if ((masks[least]! & wanted) === 0) continue
      const way = ways[least]!
      const { frame } = way
      if (frame.seen === resolving || !(way.implied || way.covers(facts))) continue
      frame.seen = resolving
      if (frame.excepts(facts)) continue
      wanted = visit(way)
      if (wanted === 0) return
    }
  }

  /** Every frame that covers a page and does not except it, best first, whatever the circumstances. */
  covering(facts: Facts): (Candidate & { says: readonly (Shown | null)[] })[] {
    const found: (Candidate & { says: readonly (Shown | null)[] })[] = []
    this.eachCovering(facts, ITSELF, ({ candidate, frame }) => {
      found.push({ ...candidate, says: frame.says })
      return ITSELF
    })
    return found
  }

  heldFor(request: Request): CircumstanceState {
    return new CircumstanceState(request, this.catalogue.site.settings.timeZone)
  }

  /** Decides every region of a page; looks no further once all are decided. */
  decide(facts: Facts, held: CircumstanceState): Decision {
    const shown: Shown[] = [NONE, NONE, NONE, NONE]
    shown[BODY] = PLAIN
    const by: (Candidate | null)[] = [null, null, null, null]
    let open = ALL_REGIONS & ~facts.leftOut
    if (facts.leftOut) for (let r = 0; r < REGIONS.length; r++) if (facts.leftOut & (1 << r)) shown[r] = EMPTY
    this.eachCovering(facts, open, ({ candidate, frame }) => {
      if (!held.of(frame.frame)) return open
      for (let r = 0; r < REGIONS.length; r++) {
        const say = frame.says[r]
        if (!say || !(open & (1 << r))) continue
        shown[r] = say
        by[r] = candidate
        open &= ~(1 << r)
      }
      return open
    })
    const lacking = shown[BODY] === PLAIN ? NOTHING : lackingHere(facts.page, shown, this.rules, this.catalogue)
    if (lacking.length > 0) shown[BODY] = PLAIN
    return { shown, by, lacking }
  }

  /** The way by which one frame is a candidate for a page; null when it is none. */
  wayOf(id: Id, facts: Facts, held: CircumstanceState): Way | null {
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

  frame(id: Id): DisplayRule | undefined {
    const at = this.frameAt.get(id)
    return at === undefined ? undefined : this.frames[at]!.frame
  }

  layoutRegion(id: Id): LayoutRegion | null | undefined {
    return this.rules.layoutRegions.get(id)
  }
}

/** The outcome for one page and one request: what every region shows, and which frame decided. */
export function resolve(compiled: CompiledRules, page: Page, request: Request): Pick<Outcome, 'page' | 'regions'> {
  const facts = factsOf(compiled.catalogue, page)
  const { shown, by, lacking } = compiled.decide(facts, compiled.heldFor(request))
  const of = (r: number): RegionOutcome => ({
    shown: shown[r]!,
    by: by[r]?.frame.id ?? null,
    ...(facts.leftOut & (1 << r) && { leftOut: true as const }),
    ...(r === BODY && lacking.length > 0 && { lacking }),
  })
  const [header, intro, body, footer] = [of(0), of(1), of(2), of(3)]
  return { page: page.key, regions: { header, intro, body, footer } }
}

/** All candidates with the outcome, for explaining it. */
export function resolveFully(compiled: CompiledRules, page: Page, request: Request): Outcome {
  const { timeZone } = compiled.catalogue.site.settings
  const candidates: Candidate[] = []
  const facts = factsOf(compiled.catalogue, page)
  for (const { says: _, ...candidate } of compiled.covering(facts)) {
    if (candidate.frame.onlyWhen.every((c) => holds(c, request, timeZone))) candidates.push(candidate)
  }
  return outcomeOf(facts, candidates, compiled.rules, compiled.catalogue)
}
