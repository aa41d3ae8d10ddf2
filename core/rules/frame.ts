import { REGIONS } from '../tree'
import type { Id } from '../model'
import { type Target, narrownessOf, refinementsOf } from '../targets'
import { compareCandidates, decidingRule } from './rank'
import type { Candidate } from './types'
import type { DisplayRule } from '../design'

/** A frame that covers the targets, has no say on any region yet, and is on. */
export function newFrame(id: Id, covers: Target[], order: number): DisplayRule {
  const regions = Object.fromEntries(REGIONS.map((r) => [r, { kind: 'pass' }])) as DisplayRule['regions']
  return { id, name: '', on: true, covers, except: [], onlyWhen: [], regions, outranks: false, order, offeredTo: [] }
}

/** The headings of the ladder, from what outranks to what is outranked. */
export const GROUPS = ['outranking', 'circumstances', 'pages', 'groups', 'types', 'kinds', 'site'] as const
export type Group = (typeof GROUPS)[number]

const BY_NARROWNESS: readonly Group[] = ['site', 'kinds', 'types', 'groups', 'pages', 'pages']

/** A frame by the narrowest of its targets: as it ranks where that one covers a page. */
function atItsNarrowest(frame: DisplayRule): Candidate {
  const ways = frame.covers.map((t, target) => ({
    frame,
    target,
    narrowness: narrownessOf(t),
    refinements: refinementsOf(t),
  }))
  return ways.sort(compareCandidates)[0] ?? { frame, target: 0, narrowness: 0, refinements: 0 }
}

/** True when nothing but the order that somebody dragged them into decides between two frames. */
function isEqualButForOrder(a: DisplayRule, b: DisplayRule): boolean {
  const rule = decidingRule(atItsNarrowest(a), atItsNarrowest(b))
  return rule === 'order' || rule === 'id'
}

/** A heading of the ladder with its frames, from what outranks to what is outranked. */
export interface LadderGroup {
  group: Group
  frames: DisplayRule[]
}

/** All frames in the order in which they outrank each other, under the headings of the ladder; empty headings are left out. */
export function ladderOf(frames: readonly DisplayRule[]): LadderGroup[] {
  const ranked = frames.map(atItsNarrowest).sort(compareCandidates)
  return GROUPS.map((group) => ({
    group,
    frames: ranked.map((c) => c.frame).filter((f) => groupOf(f) === group),
  })).filter((g) => g.frames.length > 0)
}

/** The frames among which a frame can be moved: those that rank as it does but for their order, itself included. */
export function equalsOf(frame: DisplayRule, frames: readonly DisplayRule[]): DisplayRule[] {
  return frames.filter((f) => f.id === frame.id || isEqualButForOrder(f, frame))
}

/** Under which heading of the ladder a frame stands. */
export function groupOf(frame: DisplayRule): Group {
  if (frame.outranks) return 'outranking'
  if (frame.onlyWhen.length > 0) return 'circumstances'
  return BY_NARROWNESS[Math.max(0, ...frame.covers.map(narrownessOf))]!
}
