export { STARTERS } from './list'
export { SITES } from './sites'
export { siteParcel } from './site'
export { type Match, type Offer, fitted, matchesFor } from './fit'
export type { SitePart, SiteStarter, Starter, StarterUse, Want } from './types'
export {
  type Looks,
  column,
  element,
  field,
  holding,
  items,
  layout,
  line,
  numbered,
  ofSite,
  row,
  rowWith,
  when,
  withPicture,
} from './write'
