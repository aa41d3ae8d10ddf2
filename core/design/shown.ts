import type { Id } from '../model'
import type { Region } from '../tree'

/** What a region shows: a layout, nothing because a frame says so, nothing because all pass, or the plain body. */
export type Shown = { kind: 'layout'; layout: Id } | { kind: 'empty' } | { kind: 'none' } | { kind: 'plain' }

/** What every region of a page shows. */
export interface ShownRegions {
  regions: Record<Region, { shown: Shown }>
}
