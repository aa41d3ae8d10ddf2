export { type Carried, carriedBy } from './carried'
export {
  type Parcel,
  type ParcelPicture,
  makeParcel,
  checkParcel,
  parcelUpToDate,
  withoutFiles,
  PARCEL_FORMAT,
} from './parcel'
export { beside } from './rename'
export { planImport, adaptFrame, adaptLayout, adaptMenu, canonical, type ImportPlan, type ImportItem } from './import'
export { type Unfit, type UnfitKind, type ImportChoice } from './unfit'
export { type CarriedName, type CarriedStructure, structureFor } from './structure'
export { namesWith } from './known'
export { CREATABLE, type Creatable, creating } from './create'
export { type PlanRead, readFloorPlan, writeFloorPlan } from './geojson'
export { contentHtml, rowOfEntry, safeCell, unsafeCell, jsonOf } from './content-out'
export { MOST_TOKENS, type TokensRead, type Untaken, editBetween, readHouseTokens, writeHouseTokens } from './tokens'
export {
  type SiteCount,
  type SiteFile,
  MOST_ENTRIES_IN_PART,
  checkSiteFile,
  countComing,
  entryCalled,
  mergeStructure,
  settingsCalled,
  structureCalled,
} from './site-file'
