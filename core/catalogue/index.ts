export { Catalogue, type EntryTimes, type Seen } from './catalogue'
export { type SiteChange, type TakenChange, followChange, followTaken } from './changes'
export { checkEntry } from './check-entry'
export { type EntryFieldUse, type FieldChoice, entryFields, fieldChoices, fieldKind, fieldLabel } from './field-choices'
export {
  BUILT_IN,
  type FieldContext,
  type Subject,
  TERMS,
  type Visitor,
  countOf,
  entrySubject,
  entryValue,
  fieldSource,
  readField,
  subjectOf,
  withUntil,
} from './fields'
export { directoryOf } from './directory'
export { isLeftOut } from './left-out'
export { namedIn, writtenIn } from './named'
export { freeSlug, newEntry } from './new-entry'
export { ARCHIVE_KINDS, WORKING_KINDS, entryName, monthOf } from './pages'
export { redirectOfEntry, redirectShape, redirectsOfStructure, refuseRedirect, settledRedirect } from './redirects'
export { takenAddress } from './taken'
export { stopsAbove } from './trail'
export { likeliest } from './likeness'
