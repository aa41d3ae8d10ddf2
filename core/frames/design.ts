import type { LayoutDocument } from '../tree'
import type { Menu } from '../site'
import { type HouseStyle, PLAIN_HOUSE } from '../styles'
import type { Frame } from './types'
import type { Rules } from './resolve'

/** Everything that is designed: what a draft holds and what a release freezes. */
export interface Design {
  format: 1
  layouts: LayoutDocument[]
  frames: Frame[]
  house: HouseStyle
  /** As they were released; a design without them goes by those of the site. */
  menus?: Menu[]
}

/** A design without anything in it: every page shows its plain body. */
export const BARE_DESIGN: Design = { format: 1, layouts: [], frames: [], house: PLAIN_HOUSE }

export function rulesOf(design: Pick<Design, 'layouts' | 'frames'>): Rules {
  return { frames: design.frames, layoutRegions: new Map(design.layouts.map((l) => [l.id, l.region])) }
}
