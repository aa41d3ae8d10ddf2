import type { LayoutDocument } from '../tree'
import type { Menu } from '../model'
import { type HouseStyle, PLAIN_HOUSE } from '../styles'
import type { Frame } from './rule'

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
