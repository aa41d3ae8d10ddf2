import { countDistinct } from '../conditions'
import { type Facts, matches, narrownessOf, refinementsOf } from '../targets'
import type { Catalogue } from '../catalogue'
import type { Candidate, RankRule } from './types'
import type { DisplayRule } from '../design'

/** How many different circumstances a frame has, counted once for each state of it. */
const COUNTS = new WeakMap<DisplayRule['onlyWhen'], number>()

function circumstances({ onlyWhen }: DisplayRule): number {
  let count = COUNTS.get(onlyWhen)
  if (count === undefined) COUNTS.set(onlyWhen, (count = countDistinct(onlyWhen)))
  return count
}

const RULES: readonly [RankRule, (a: Candidate, b: Candidate) => number][] = [
  ['outranks', (a, b) => Number(b.frame.outranks) - Number(a.frame.outranks)],
  ['circumstances', (a, b) => Number(b.frame.onlyWhen.length > 0) - Number(a.frame.onlyWhen.length > 0)],
  ['narrowness', (a, b) => b.narrowness - a.narrowness],
  ['refinements', (a, b) => b.refinements - a.refinements],
  ['circumstance-count', (a, b) => circumstances(b.frame) - circumstances(a.frame)],
  ['order', (a, b) => a.frame.order - b.frame.order],
  ['id', (a, b) => (a.frame.id < b.frame.id ? -1 : a.frame.id > b.frame.id ? 1 : 0)],
]

/** Total order of candidates: negative when `a` comes first (`docs/frames.md`). */
export function compareCandidates(a: Candidate, b: Candidate): number {
  for (const [, compare] of RULES) {
    const order = compare(a, b)
    if (order !== 0) return order
  }
  return 0
}

/** The first rule that puts `winner` before `loser`. */
export function decidingRule(winner: Candidate, loser: Candidate): RankRule {
  return RULES.find(([, compare]) => compare(winner, loser) !== 0)?.[0] ?? 'id'
}

/** The covering target that ranks highest: the narrowest, then the one with most refinements; null when none covers. */
export function coverage(frame: DisplayRule, facts: Facts, catalogue: Catalogue): Candidate | null {
  const chosen = facts.entry?.chosenFrame === frame.id && frame.offeredTo.includes(facts.entry.type)
  if (chosen) return { frame, target: -1, narrowness: 5, refinements: 0 }
  let best: Candidate | null = null
  for (const [index, target] of frame.covers.entries()) {
    const narrowness = narrownessOf(target)
    const refinements = refinementsOf(target)
    if (best && (narrowness < best.narrowness || (narrowness === best.narrowness && refinements <= best.refinements)))
      continue
    if (matches(target, facts, catalogue)) best = { frame, target: index, narrowness, refinements }
  }
  return best
}
