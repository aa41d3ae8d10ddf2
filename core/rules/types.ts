import type { Region } from '../tree'
import type { Shown, DisplayRule, RegionSetting } from '../design'
import type { Id } from '../model'
import type { Narrowness } from '../targets'

/** The rules by which one candidate comes before another, in order; see `compareCandidates`. */
export type RankRule =
  'outranks' | 'circumstances' | 'narrowness' | 'refinements' | 'circumstance-count' | 'order' | 'id'

export interface Candidate {
  frame: DisplayRule
  /** Index of its narrowest covering target, or -1 when a writer chose the frame. */
  target: number
  narrowness: Narrowness
  refinements: number
}

/** Why a candidate does not decide a region: it passed, its layout cannot be used, or a rule put another first. */
export type Loss =
  | { kind: 'passed' }
  | { kind: 'layout-missing'; layout: Id }
  | { kind: 'layout-region'; layout: Id }
  | { kind: 'layout-base'; layout: Id }
  /** Its body lacks what the page is for; the plain body stands instead. */
  | { kind: 'work-lacking'; lacking: readonly string[] }
  /** The entry itself leaves the region out. */
  | { kind: 'left-out' }
  | { kind: 'outranked'; by: Id; rule: RankRule }

export interface RankedCandidate {
  candidate: Candidate
  say: RegionSetting
  /** Null for the winner. */
  loss: Loss | null
}

export interface RegionOutcome {
  shown: Shown
  /** The entry itself leaves the region out, whatever rules say. */
  leftOut?: true
  /** What the body that was decided on lacks for the work of its page, by types of elements: the plain one stands instead. */
  lacking?: readonly string[]
  /** The frame that decided; null when all passed. */
  by: Id | null
}

/** A frame that covers the page and still is no candidate. */
export type NearMiss =
  | { frame: DisplayRule; kind: 'excepted'; target: number }
  | { frame: DisplayRule; kind: 'circumstance'; index: number }
  | { frame: DisplayRule; kind: 'refinement'; target: number; index: number }
  | { frame: DisplayRule; kind: 'off' }

export interface Outcome {
  page: string
  regions: Record<Region, RegionOutcome>
  /** In rank order. */
  candidates: Candidate[]
}

export interface Why {
  page: string
  regions: Record<Region, RegionOutcome & { standings: RankedCandidate[] }>
  near: NearMiss[]
}
