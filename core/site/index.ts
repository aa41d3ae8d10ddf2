export { directionOf } from './language'
export * from './types'
export { BEGINNINGS, type Beginning, type Founded, foundSite } from './founding'
export {
  safeAddress,
  slugOf,
  isSlug,
  pathOf,
  readAddress,
  readFields,
  readParameters,
  writeParameters,
  MOST_PARAMETERS,
  STUDIO_PARTS,
  SITE_PARTS,
  type Parameters,
  type AskedAddress,
} from './addresses'
export { entryName, monthOf, WORKING_KINDS, ARCHIVE_KINDS } from './pages'
export { Catalogue, type EntryChange, type EntryTimes, type Seen } from './catalogue'
export { type SiteChange, type TakenChange, followChange, followTaken } from './changes'
export {
  type Subject,
  type Visitor,
  type Place,
  type Reading,
  type FieldSource,
  BUILT_IN,
  BUILT_IN_IDS,
  countOf,
  subjectOf,
  entrySubject,
  isEmpty,
  fieldSource,
  TERMS,
  entryValue,
  readField,
  withUntil,
  nameOf,
} from './fields'
export { type EntryFieldUse, type FieldChoice, entryFields, fieldChoices, fieldLabel, fieldKind } from './field-choices'
export { MOST_TERMS, type Structure, STRUCTURE_EDITING, refuseStructure } from './structure'
export { type Line, type Nudge, type Spot, branchLength, dropped, linesOf, nudged, spotOf } from './outline'
export { redirectOfEntry, redirectShape, redirectsOfStructure, refuseRedirect, settledRedirect } from './redirects'
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
export { insertTerm, moveTerm, newPerson, newTerm, removeTaxonomy, removeTerm } from './terms'
export { type Bit, MOST_READ, askedWords, excerptOf, markedText } from './excerpt'
export {
  type RichHeading,
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
export * from './shapes'
export { type Conversion, type Named, conversionOf, converted, isHeld, partsOf, wordsOf } from './convert'
export { type DayOrder, dayNamed, dayOrderOf, isDayReadTwoWays } from './read-day'
export { type Decimal, decimalOf, isReadTwoWays, numberWords, readNumber } from './read-number'
export { type ColumnQuestion, type ColumnWay, ColumnWays } from './column-ways'
export { isLeftOut } from './left-out'
export { type Bringing, type BroughtRow, OWN_TARGETS, type Target, bringRow, guessKind, guessTargets } from './bring'
export { namedIn, writtenIn } from './named'
export { newestFirst } from './sorted'
export { type Stop, stopsAbove } from './trail'
export { BY_DAY, addDays, daysBetween, isDay, isMoment, clockIn, dayIn, dayOf, momentIn } from './days'
export { findByWords, folded } from './find'
export {
  type Bounds,
  MOST_FLOORS,
  MOST_POINTS,
  MOST_SHAPES,
  areaAt,
  boundsOf,
  floorOf,
  floorPlanShape,
  positionIn,
  within,
} from './floor-plan'
export { awkwardPages, type Awkward } from './awkward'
export { type Sample, type Sampled, MANY_SCREENS, asItIs, hasSample, sampled } from './samples'
export { FIELD_KINDS, freeId, freePart, newField, newPageType, newTaxonomy } from './field-kinds'
export { blankEntry, blankType, firstFree } from './blank'
export { freeSlug, newEntry } from './new-entry'
export { takenAddress } from './taken'
export {
  type EntryContest,
  type MergedEntry,
  changedParts,
  entryOfParts,
  mergeEntries,
  partsOfEntry,
} from './merge-entry'
export {
  type DeliveryWay,
  type Offer,
  type Sells,
  type ShopSettings,
  type TaxClass,
  COUNTRY,
  MOST_OFFERS,
  PLAIN_SHOP,
} from './selling'
export { checkEntry } from './check-entry'
export { ROLES, USER_ROLES, includesRole, type Role } from './roles'

export { type Likely, likeliest } from './likeness'
