export { blankEntry, blankType, firstFree } from './blank'
export { BUILT_IN_IDS, type BuiltInField } from './built-in'
export { freeId, freePart, newField, newPageType, newTaxonomy } from './new-type'
export {
  type Bounds,
  MOST_POINTS,
  MOST_SHAPES,
  areaAt,
  boundsOf,
  floorOf,
  floorPlanShape,
  positionIn,
  within,
} from './floor-plan'
export { BEGINNINGS, type Beginning, type Founded, foundSite } from './founding'
export type { Id } from '../shape'
export {
  MENUS_EDITING,
  MENU_LEVELS,
  type MenuSet,
  findItem,
  insertItem,
  menuLines,
  moveItem,
  newMenu,
  pagesOfItems,
  refuseMenus,
  removeItem,
  setItem,
} from './menus'
export { type EntryContest, changedParts, entryOfParts, mergeEntries, partsOfEntry } from './merge-entry'
export {
  type OutlineLine,
  type Nudge,
  type OutlinePosition,
  branchLength,
  dropped,
  linesOf,
  nudged,
  spotOf,
} from './outline'
export { ROLES, type Role, USER_ROLES, includesRole } from './roles'
export { isSame } from './same'
export {
  LEFT_OUT,
  carriedPictureShape,
  entryShape,
  linkShape,
  menuShape,
  pageTypeShape,
  personShape,
  pictureShape,
  taxonomyShape,
  termShape,
  workingShape,
} from './shapes'
export { SETTINGS_SHAPES, homeShape, settingsShape } from './settings-shapes'
export { SortedLists, newestFirst } from './sorted'
export { type Floor, type FloorPlan, type FloorShape, type Point } from './standing'
export { MOST_TERMS, STRUCTURE_EDITING, type Structure, refuseStructure } from './structure'
export { insertTerm, moveTerm, newPerson, newTerm, removeTaxonomy, removeTerm } from './terms'
export {
  type Entry,
  type FieldRef,
  type HomeChoice,
  type LeftOut,
  type Link,
  type Menu,
  type MenuItem,
  type Page,
  type PageKind,
  type PageType,
  type Person,
  type Picture,
  type Redirect,
  type Site,
  type SiteSettings,
  TOLD_AS,
  TOLD_ROLES,
  type Taxonomy,
  type Tells,
  type Term,
  type ToldAs,
  type ToldRole,
} from './types'
