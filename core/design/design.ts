import type { LayoutDocument } from '../tree'
import type { Menu } from '../model'
import { type SiteStyle, PLAIN_HOUSE } from '../styles'
import type { DisplayRule } from './rule'

/** Everything that is designed: what a draft holds and what a release freezes. */
export interface Design {
  format: 1
  layouts: LayoutDocument[]
  frames: DisplayRule[]
  house: SiteStyle
  /** As they were released; a design without them goes by those of the site. */
  menus?: Menu[]
}

/** A design without anything in it: every page shows its plain body. */
export const BARE_DESIGN: Design = { format: 1, layouts: [], frames: [], house: PLAIN_HOUSE }
