import type { Dangling } from '../checks'
import type { Id } from '../model'

/** What a parcel names and a site does not have, and what may be done about it. */

/** What a design itself has: a parcel that names such a thing and does not bring it is told of it by the checks. */
const BELONG = ['layout', 'wrong-region', 'card', 'piece', 'frame', 'look', 'colour', 'family', 'choice'] as const
export const belongs = (what: Dangling): what is (typeof BELONG)[number] =>
  (BELONG as readonly Dangling[]).includes(what)

export type UnfitKind = Exclude<Dangling, (typeof BELONG)[number]> | 'field'

/** Something that the parcel names and this site does not have, with all that names it. */
export interface Unfit {
  /** `kind id`; choices are given under it. */
  key: string
  kind: UnfitKind
  id: string
  /** What it is called where it comes from; empty where the parcel does not say. */
  name: string
  /** Whether the parcel carries it, so that it can be created here. */
  carried: boolean
  /** Something of this site that is called the same; null where there is none, or several. */
  like: string | null
  users: { what: 'layout' | 'frame' | 'menu'; id: Id }[]
}

/**
 * What to do about something that does not fit: keep the reference (it does nothing until the thing exists, and
 * the checks report it), drop it, use something of this site instead, or create it as the parcel carries it.
 */
export type ImportChoice = { do: 'keep' } | { do: 'drop' } | { do: 'use'; id: string } | { do: 'create' }
