export { type Conversion, conversionOf, converted, guessKind, isHeld } from './convert'
export { type ComparedWith, type FieldTestOp, type Holds, MOST_DAYS, OPS } from './comparisons'
export { MOST_OFFERS, type Offer } from './offers'
export type { Position } from './position'
export type { SiteDocument } from './documents'
export {
  FIELDS,
  FIELD_KINDS,
  type Field,
  type FieldKind,
  READINGS,
  type Reading,
  type ReadingKind,
  fieldSpec,
  hasChoices,
  isFieldKind,
  kindsFor,
} from './kinds'
export { referredIn, refersTo, renamedIn } from './references'
export type { Directory, ReferredKind } from './directory'
export type {
  ExportContext,
  FieldInput,
  FieldRole,
  FieldSpec,
  FieldUses,
  Format,
  ReadContext,
  ReadingSpec,
  SortKey,
  ValueFormats,
  ValueGroup,
} from './spec'
export { isEmpty, partsOf, several, wordsOf } from './values'
