import type { Region } from '../tree'
import type { Id } from '../model'
import type { Circumstance } from '../conditions'
import type { Target } from '../targets'

/** What a frame says about one region: use a layout, leave the region empty, or pass (no say). */
export type RegionSetting =
  | { kind: 'use'; layout: Id }
  | { kind: 'empty' }
  /** With the layout that the region had before it was switched off, for when it is switched on again. */
  | { kind: 'pass'; layout?: Id }

export interface DisplayRule {
  id: Id
  name: string
  on: boolean
  covers: Target[]
  except: Target[]
  onlyWhen: Circumstance[]
  regions: Record<Region, RegionSetting>
  outranks: boolean
  /** Lower comes first among frames that are equal otherwise. */
  order: number
  /** Page types whose writers may choose this frame for an entry. */
  offeredTo: Id[]
}
