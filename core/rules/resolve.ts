import { REGIONS, type LayoutRegion, type Region } from '../tree'
import type { Catalogue } from '../catalogue'
import type { Id, Page } from '../model'
import { hasWork, lackingOn } from '../elements'
import { holds, type Request } from '../conditions'
import { type Facts, factsOf, matches, nearlyMatches } from '../targets'
import { compareCandidates, coverage, decidingRule } from './rank'
import type { Candidate, Loss, NearMiss, Outcome, RegionOutcome, RankedCandidate, Why } from './types'
import type { DisplayRule, RegionSetting, Shown } from '../design'

/** The part of a design that decides: its frames, and the region of every layout that exists. */
export interface RuleSet {
  frames: readonly DisplayRule[]
  /** The region of every layout; null for a variation whose base is gone, which draws nothing. */
  layoutRegions: ReadonlyMap<Id, LayoutRegion | null>
  /** The elements on a layout that do the work of a page, by their types. */
  work: ReadonlyMap<Id, readonly string[]>
}

/** Why a say cannot decide a region, or null when it can. */
export function unusable(say: RegionSetting, region: Region, rules: RuleSet): Loss | null {
  if (say.kind === 'pass') return { kind: 'passed' }
  if (say.kind === 'empty') return null
  const of = rules.layoutRegions.get(say.layout)
  if (of === null) return { kind: 'layout-base', layout: say.layout }
  if (of === undefined) return { kind: 'layout-missing', layout: say.layout }
  return of === region ? null : { kind: 'layout-region', layout: say.layout }
}

/** What stands where no frame has a say: nothing, or the plain body, so that content never disappears. */
const unsaid = (region: Region): Shown => (region === 'body' ? { kind: 'plain' } : { kind: 'none' })

function decide(region: Region, candidates: readonly Candidate[], rules: RuleSet): RegionOutcome {
  for (const { frame } of candidates) {
    const say = frame.regions[region]
    if (unusable(say, region, rules)) continue
    return { shown: say.kind === 'use' ? { kind: 'layout', layout: say.layout } : { kind: 'empty' }, by: frame.id }
  }
  return { shown: unsaid(region), by: null }
}

/**
 * What a page lacks for its work with these layouts on it, by types of elements (`docs/frames.md`): nothing where the page
 * has no work of its own, or its body is the plain one, which does it.
 */
export function lackingHere(
  page: Page,
  shown: readonly Shown[],
  rules: RuleSet,
  catalogue: Catalogue,
): readonly string[] {
  if (!hasWork(page.kind)) return []
  const layouts = shown.flatMap((s) => (s.kind === 'layout' ? s.layout : []))
  return lackingOn(page.kind, new Set(layouts.flatMap((id) => rules.work.get(id) ?? [])), catalogue)
}

/** Decides every region from candidates in rank order. */
export function outcomeOf(facts: Facts, candidates: Candidate[], rules: RuleSet, catalogue: Catalogue): Outcome {
  const regions = {} as Outcome['regions']
  for (const [r, region] of REGIONS.entries())
    regions[region] =
      facts.leftOut & (1 << r)
        ? { shown: { kind: 'empty' }, by: null, leftOut: true }
        : decide(region, candidates, rules)
  const { body } = regions
  if (body.shown.kind !== 'plain') {
    const shown = REGIONS.map((region) => regions[region].shown)
    const lacking = lackingHere(facts.page, shown, rules, catalogue)
    if (lacking.length > 0) regions.body = { ...body, shown: { kind: 'plain' }, lacking }
  }
  return { page: facts.page.key, regions, candidates }
}

/** The frame's candidacy for a page and a request, or null when it has none. */
export function candidacy(frame: DisplayRule, facts: Facts, request: Request, catalogue: Catalogue): Candidate | null {
  if (!frame.on) return null
  const candidate = coverage(frame, facts, catalogue)
  if (!candidate || frame.except.some((t) => matches(t, facts, catalogue))) return null
  const { timeZone } = catalogue.site.settings
  return frame.onlyWhen.every((c) => holds(c, request, timeZone)) ? candidate : null
}

/**
 * The outcome for one page and one request by testing every frame in turn. Slow and obvious: the compiled
 * resolver is checked against it.
 */
export function resolveInTurn(rules: RuleSet, catalogue: Catalogue, page: Page, request: Request): Outcome {
  const facts = factsOf(catalogue, page)
  const candidates = rules.frames
    .map((frame) => candidacy(frame, facts, request, catalogue))
    .filter((c) => c !== null)
    .sort(compareCandidates)
  return outcomeOf(facts, candidates, rules, catalogue)
}

function standings(region: Region, outcome: Outcome, rules: RuleSet): RankedCandidate[] {
  const { by, leftOut, lacking } = outcome.regions[region]
  const winner = outcome.candidates.find((c) => c.frame.id === by)
  return outcome.candidates.map((candidate) => {
    const say = candidate.frame.regions[region]
    if (leftOut) return { candidate, say, loss: say.kind === 'pass' ? { kind: 'passed' } : { kind: 'left-out' } }
    if (candidate === winner) return { candidate, say, loss: lacking ? { kind: 'work-lacking', lacking } : null }
    const loss = unusable(say, region, rules)
    // Every candidate that could decide stands behind the winner, so there is one.
    return { candidate, say, loss: loss ?? { kind: 'outranked', by: by!, rule: decidingRule(winner!, candidate) } }
  })
}

function nearMiss(frame: DisplayRule, facts: Facts, request: Request, catalogue: Catalogue): NearMiss | null {
  const covers = coverage(frame, facts, catalogue)
  if (!covers) {
    for (const [target, t] of frame.covers.entries()) {
      const index = nearlyMatches(t, facts, catalogue)
      if (index >= 0) return frame.on ? { frame, kind: 'refinement', target, index } : null
    }
    return null
  }
  if (!frame.on) return { frame, kind: 'off' }
  const target = frame.except.findIndex((t) => matches(t, facts, catalogue))
  if (target >= 0) return { frame, kind: 'excepted', target }
  const { timeZone } = catalogue.site.settings
  const index = frame.onlyWhen.findIndex((c) => !holds(c, request, timeZone))
  return index >= 0 ? { frame, kind: 'circumstance', index } : null
}

/** The outcome with its whole explanation: winners, losers with the rule against each, and near misses. */
export function whyOf(outcome: Outcome, rules: RuleSet, catalogue: Catalogue, page: Page, request: Request): Why {
  const facts = factsOf(catalogue, page)
  const regions = {} as Why['regions']
  for (const region of REGIONS) {
    regions[region] = { ...outcome.regions[region], standings: standings(region, outcome, rules) }
  }
  const near = rules.frames.map((f) => nearMiss(f, facts, request, catalogue)).filter((n) => n !== null)
  near.sort((a, b) => (a.frame.id < b.frame.id ? -1 : 1))
  return { page: page.key, regions, near }
}
