import type { Region } from '../tree'
import type { Shown } from '../render'
import type { Id, Parameters } from '../site'

/** What a frame says about one region: use a layout, leave the region empty, or pass (no say). */
export type Say = { kind: 'use'; layout: Id } | { kind: 'empty' } | { kind: 'pass' }

export type FieldTestOp =
  'is-empty' | 'is-not-empty' | 'is' | 'is-not' | 'contains' | 'at-least' | 'at-most' | 'before' | 'after'

/** A fact about an entry that must hold besides its page type. */
export type Refinement =
  | { kind: 'term'; taxonomy: Id; terms: Id[]; below: boolean }
  | { kind: 'person'; people: Id[] }
  | { kind: 'below'; entries: Id[] }
  | { kind: 'field'; field: Id; op: FieldTestOp; value: string | number | boolean | null }

/** One line of Covers or Except: which pages. */
export type Target =
  | { kind: 'every' }
  | { kind: 'kind'; pages: 'entries' | 'archives' | 'working' }
  | { kind: 'type'; type: Id }
  | { kind: 'type-archives'; type: Id }
  | { kind: 'term-pages'; taxonomy: Id }
  | { kind: 'person-pages' }
  | { kind: 'entries'; type: Id | null; where: Refinement[] }
  /** One page, by its key (see `Page`). */
  | { kind: 'page'; page: string }

export type Device = 'phone' | 'tablet' | 'desktop'

/** One line of Only when. Several values in one circumstance: any of them. */
export type Circumstance =
  | { kind: 'parameter'; name: string; op: 'present' | 'is' | 'contains'; values: string[] }
  | { kind: 'device'; devices: Device[] }
  | { kind: 'role'; roles: string[] }
  | { kind: 'signed-in'; yes: boolean }
  /** `from` and `until` are days, `YYYY-MM-DD`, both inclusive, in the site's time zone; weekdays 1 (Monday) to 7. */
  | { kind: 'date'; from: string | null; until: string | null; weekdays: number[] }

export interface Frame {
  id: Id
  name: string
  on: boolean
  covers: Target[]
  except: Target[]
  onlyWhen: Circumstance[]
  regions: Record<Region, Say>
  outranks: boolean
  /** Lower comes first among frames that are equal otherwise. */
  order: number
  /** Page types whose writers may choose this frame for an entry. */
  offeredTo: Id[]
}

/** What is known about whoever asks for a page. */
export interface Request {
  role: string
  signedIn: boolean
  device: Device
  /** Address parameters by name, each with all its values. */
  parameters: Parameters
  /** Milliseconds since 1970. */
  at: number
}

export type Narrowness = 0 | 1 | 2 | 3 | 4 | 5

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
  | { kind: 'outranked'; by: Id; rule: Rule }

export interface Standing {
  candidate: Candidate
  say: Say
  /** Null for the winner. */
  loss: Loss | null
}

export interface RegionOutcome {
  shown: Shown
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
