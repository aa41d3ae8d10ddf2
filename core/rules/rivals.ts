import { REGIONS } from '../tree'
import type { Id } from '../model'
import { type CompiledRules, factsOfAll } from './compiled'
import { decidingRule } from './rank'
import type { Candidate } from './types'
import type { DisplayRule } from '../design'

/** How a frame stands to others, over all pages and whatever the circumstances. */
export interface Rivals {
  /** Frames that are equal to it but for their order where one of both decides, with on how many pages that is. */
  ties: { frame: Id; pages: number }[]
  /** Whether it decides anything anywhere while its circumstances hold. */
  decides: boolean
  /** Where it decides nothing: the frames that stand before it, and whether it covers a page at all. */
  shadowedBy: Id[]
  covers: boolean
}

type Covering = ReturnType<CompiledRules['covering']>[number]

const same = (a: DisplayRule, b: DisplayRule): boolean => JSON.stringify(a.onlyWhen) === JSON.stringify(b.onlyWhen)
const equal = (a: Candidate, b: Candidate): boolean => ['order', 'id'].includes(decidingRule(a, b))

/** Frames that apply whenever the circumstances of one hold: those without any, and those with the very same. */
const besides = (frame: DisplayRule, covering: readonly Covering[]): Covering[] =>
  covering.filter((c) => c.frame.onlyWhen.length === 0 || same(c.frame, frame))

/** Ties of one frame, and whether it decides anything; what an edit of it is told by before it is kept. */
export function rivalsOf(compiled: CompiledRules, id: Id): Rivals {
  const ties = new Map<Id, number>()
  const shadows = new Set<Id>()
  let [decides, covers] = [false, false]
  for (const facts of factsOfAll(compiled.catalogue)) {
    const covering = compiled.covering(facts)
    const mine = covering.find((c) => c.frame.id === id)
    if (!mine) continue
    covers = true
    const tied = new Set<Id>()
    const rivals = besides(mine.frame, covering)
    for (let r = 0; r < REGIONS.length; r++) {
      if (!mine.says[r]) continue
      const saying = rivals.filter((c) => c.says[r])
      const first = saying[0]!
      if (first.frame.id === id) decides = true
      else shadows.add(first.frame.id)
      if (first.frame.id !== id && !equal(first, mine)) continue
      for (const other of saying) if (other.frame.id !== id && equal(other, mine)) tied.add(other.frame.id)
    }
    for (const other of tied) ties.set(other, (ties.get(other) ?? 0) + 1)
  }
  return {
    ties: [...ties].map(([frame, pages]) => ({ frame, pages })).sort((a, b) => b.pages - a.pages),
    decides,
    covers,
    shadowedBy: decides ? [] : [...shadows].sort(),
  }
}
