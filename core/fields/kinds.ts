import { choice } from './choice'
import { choices } from './choices'
import { date } from './date'
import { documents } from './documents'
import { entry } from './entry'
import { link } from './link'
import { moment } from './moment'
import { money } from './money'
import { number } from './number'
import { offers } from './offers'
import { person } from './person'
import { picture } from './picture'
import { pictures } from './pictures'
import { position } from './position'
import { rich } from './rich'
import { text } from './text'
import { yesNo } from './yes-no'
import { TERM_LIST } from './families'
import type { FieldDetails, FieldRole, FieldSpec, ReadingSpec } from './spec'

/** Every kind of field, in the order in which people choose among them. */
export const FIELDS = {
  text,
  rich,
  number,
  money,
  date,
  moment,
  'yes-no': yesNo,
  choice,
  choices,
  picture,
  pictures,
  documents,
  offers,
  link,
  position,
  person,
  entry,
} satisfies Record<string, FieldSpec>

export type FieldKind = keyof typeof FIELDS
export const FIELD_KINDS = Object.keys(FIELDS) as FieldKind[]

/** What is read where a field stands: the value of a field, or the terms of an entry in a taxonomy. */
export type ReadingKind = FieldKind | 'terms'
export const READINGS: Readonly<Record<ReadingKind, ReadingSpec>> = { ...FIELDS, terms: TERM_LIST }

/** A value that entries of a page type hold. */
export interface Field extends FieldDetails {
  kind: FieldKind
}

/** The value of a field with what is needed to write it out. Empty values are never read: they give null. */
export interface Reading {
  kind: ReadingKind
  value: unknown
  field?: Field
  /** When what begins by the value is over, where it is read as a range. */
  until?: string
}

/** The kinds of field that can say something of an entry. */
export const kindsFor = (role: FieldRole): FieldKind[] =>
  FIELD_KINDS.filter((kind) => fieldSpec(kind).roles.includes(role))

/** Whether a word from outside names a kind of field. */
export const isFieldKind = (kind: unknown): kind is FieldKind => typeof kind === 'string' && Object.hasOwn(FIELDS, kind)

export const fieldSpec = (kind: FieldKind): FieldSpec => FIELDS[kind]

/** Whether a page type lists what can be chosen in fields of a kind. */
export const hasChoices = (kind: FieldKind): boolean => fieldSpec(kind).details.includes('choices')
