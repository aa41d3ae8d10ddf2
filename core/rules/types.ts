import type { Region } from '../tree'
import type { Shown, Frame, Say } from '../design'
import type { Id } from '../model'
import type { Narrowness } from '../targets'

/** The rules by which one candidate comes before another, in order; see `compareCandidates`. */
export type Rule = 'outranks' | 'circumstances' | 'narrowness' | 'refinements' | 'circumstance-count' | 'order' | 'id'

export interface Candidate {
  frame: Frame
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
  | { kind: 'outranked'; by: Id; rule: Rule }

export interface Standing {
  candidate: Candidate
  say: Say
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
  | { frame: Frame; kind: 'excepted'; target: number }
  | { frame: Frame; kind: 'circumstance'; index: number }
  | { frame: Frame; kind: 'refinement'; target: number; index: number }
  | { frame: Frame; kind: 'off' }

export interface Outcome {
  page: string
  regions: Record<Region, RegionOutcome>
  /** In rank order. */
  candidates: Candidate[]
}

export interface Why {
  page: string
  regions: Record<Region, RegionOutcome & { standings: Standing[] }>
  near: NearMiss[]
}
