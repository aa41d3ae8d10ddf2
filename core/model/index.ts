export { blankEntry, blankType, firstFree } from './blank'
export { BUILT_IN_IDS, type BuiltInField } from './built-in'
export { type Named, conversionOf, converted, isHeld, partsOf, wordsOf } from './convert'
export { FIELD_KINDS, freeId, freePart, newField, newPageType, newTaxonomy } from './field-kinds'
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
export { type Id } from './id'
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
export { type Line, type Nudge, type Spot, branchLength, dropped, linesOf, nudged, spotOf } from './outline'
export {
  firstCharacters,
  firstSentence,
  firstWords,
  headingsOf,
  isRichDoc,
  minutesToRead,
  richPictures,
  richText,
} from './rich'
export { refuseRich, richShape } from './rich-shape'
export { ROLES, type Role, USER_ROLES, includesRole } from './roles'
export { isSame } from './same'
export {
  COUNTRY,
  type DeliveryWay,
  MOST_OFFERS,
  type Offer,
  PLAIN_SHOP,
  type Sells,
  type ShopSettings,
  type TaxClass,
} from './selling'
export {
  LEFT_OUT,
  SETTINGS_SHAPES,
  carriedPictureShape,
  entryShape,
  homeShape,
  linkShape,
  menuShape,
  pageTypeShape,
  personShape,
  pictureShape,
  settingsShape,
  taxonomyShape,
  termShape,
  workingShape,
} from './shapes'
export { SortedLists, newestFirst } from './sorted'
export { type Floor, type FloorPlan, type FloorShape, type Point, type Position } from './standing'
export { MOST_TERMS, STRUCTURE_EDITING, type Structure, refuseStructure } from './structure'
export { insertTerm, moveTerm, newPerson, newTerm, removeTaxonomy, removeTerm } from './terms'
export {
  type Entry,
  type Field,
  type FieldKind,
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
  type RichDoc,
  type RichNode,
  type Site,
  type SiteDocument,
  type SiteSettings,
  TOLD_AS,
  TOLD_ROLES,
  type Taxonomy,
  type Tells,
  type Term,
  type ToldAs,
  type ToldRole,
} from './types'
