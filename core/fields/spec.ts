import type { Day, DayOrder } from '../time'
import type { Decimal } from '../numbers'
import type { Id, Shape } from '../shape'
import type { Comparisons } from './comparisons'
import type { Directory, ReferredKind } from './directory'

/**
 * What every kind of field says of itself. All that is done with a field goes by its spec: nowhere else is asked which
 * kind it is. To add a kind is to write one file with its spec, and to name it in `kinds.ts`.
 */

/** A field of a page type, but for its kind. `unit` is a CLDR unit name such as `centimeter`. */
export interface FieldDetails {
  id: Id
  label: string
  /** One line for whoever fills it in. */
  help?: string
  /** A published entry is stored only with it. */
  required?: true
  unit?: string
  /** For numbers and money: what it is at least and at most. */
  least?: number
  most?: number
  choices?: { id: Id; label: string }[]
  /** For fields that refer to entries: the page type referred to. */
  of?: Id
}

/** How a field is written out. Only what suits the kind of the field is used. */
export interface Format {
  /** `away`: how far it is from today. */
  date?: 'full' | 'long' | 'medium' | 'short' | 'year' | 'month' | 'time' | 'away'
  digits?: number
  unit?: 'short' | 'long' | 'hidden'
  list?: 'and' | 'comma'
  yes?: string
  no?: string
  /** Words around a number, by the plural forms of the site's language; `#` stands for the number. */
  counted?: Partial<Record<Intl.LDMLPluralRule, string>>
  /** The field, beside this one, that says when what begins here is over: both are written as one range. */
  until?: Id
  /** Of a text no more than its first sentence, or so many words. */
  first?: 'sentence' | number
}

/** Writes values in the language, the currency and the time zone of a site. */
export interface ValueFormats {
  number(value: number, format: Format, unit?: string): string
  counted(value: number, text: string, counted: NonNullable<Format['counted']>): string
  money(value: number, format: Format): string
  date(text: string, format: Format): string
  moment(text: string, format: Format): string
  /** Null where the second is none, or earlier. */
  range(hasTime: boolean, from: string, until: string, format: Format): string | null
  away(day: Day, from: Day): string
  list(items: string[], format: Format): string
}

/** How numbers, days and amounts are written where words come from, and what they may name. */
export interface ReadContext {
  decimal?: Decimal
  order?: DayOrder
  /** The currency of the site; an amount in any other is none. */
  currency?: string
  picture?(words: string): Id | undefined
  person?(words: string): Id | undefined
  entry?(words: string, type: Id | undefined): Id | undefined
}

/** What a value that leaves the site is written with: names that come in again as the same thing. */
export interface ExportContext {
  html(doc: unknown): string
  nameOf(kind: ReferredKind, id: Id): string
}

/** The value of a field with what is needed to write it out; never an empty one. */
export interface FieldReading {
  value: unknown
  field?: FieldDetails
  /** When what begins by the value is over, where it is read as a range. */
  until?: string
}

/** By what entries are sorted; null sorts last. */
export type SortKey = string | number | null

/** The group that a value puts an entry in. */
export interface ValueGroup {
  key: string
  rank: number | string
  /** What it is about: a term or a person by id, or words. */
  of: { kind: 'term' | 'person' | 'words'; value: string }
}

/** What a field of listed entries may be wanted for. */
export interface FieldUses {
  /** How visitors narrow a list by it; null: not at all. */
  filter: 'keys' | 'number' | 'day' | null
  sort: boolean
  group: boolean
  /** Whether it can be shown as a line of a table. */
  show: boolean
  sum: boolean
}

/** What a field may say of an entry elsewhere: to programs, in the shop, as one of its facts. */
export type FieldRole =
  | 'description'
  | 'picture'
  | 'person'
  | 'starts'
  | 'ends'
  | 'place'
  | 'price'
  | 'stock'
  | 'day'
  | 'offers'
  | 'fact'
  | 'icon'

/** What is read where a field stands: what can be done with its value. */
export interface ReadingSpec {
  /** Whether a value is one of this kind; what a field whose kind was changed holds may be of another. */
  suits(value: unknown): boolean
  uses: FieldUses
  roles: readonly FieldRole[]
  /** What of a format says something here. */
  formats: readonly (keyof Format)[]
  /** The ways in which it is drawn as HTML. */
  drawn: 'words' | 'images' | 'files' | 'terms' | 'rich'
  /** Where its words may lead: to the page of what it refers to, or to the address that it is. */
  leads: ReferredKind | 'term' | 'address' | null
  /** Whether what is drawn of it is made of links as a rule. */
  linked: boolean
  /** The value as plain text, not escaped; empty for kinds that are no text. */
  write(reading: FieldReading, format: Format, formats: ValueFormats, directory: Directory): string
  /** Under which words or ids an entry with the value is found. */
  keys(value: unknown, directory: Directory): readonly string[]
  sortKey(value: unknown, field: FieldDetails | undefined, directory: Directory): SortKey
  group(value: unknown, field: FieldDetails | undefined, directory: Directory): ValueGroup
}

/** The inputs that the studio has for fields: `app/components/entries/inputs.ts` gives each its component. */
export type FieldInput =
  | 'text'
  | 'rich'
  | 'number'
  | 'date'
  | 'moment'
  | 'yes-no'
  | 'choice'
  | 'choices'
  | 'picture'
  | 'pictures'
  | 'documents'
  | 'offers'
  | 'link'
  | 'position'
  | 'person'
  | 'entry'

export interface FieldSpec extends ReadingSpec {
  /** What it is called where people choose among kinds. */
  label: string
  about: string
  /** What a field of this kind can hold; every field may be empty. */
  shape: Shape
  /** Whether a value that has the shape is one of this very field: one of its choices. */
  holds?(value: unknown, field: FieldDetails): boolean
  /** What its page type says of it, besides its name. */
  details: readonly ('choices' | 'of' | 'unit' | 'limits')[]
  /** What it refers to, by one id or a list of them. */
  refers: ReferredKind | null
  /** What a value of any kind comes to in it; null or undefined where it comes to nothing. */
  convert(value: unknown, field: FieldDetails, context: ReadContext): unknown
  /** Whether words in a table can be read in two ways: decimals by point or comma, the day or the month first. */
  readTwoWays: 'day' | 'number' | null
  /** Whether all words of a column look like values of this kind, and how early that is asked; null: it never does. */
  guess: { rank: number; fits(words: readonly string[]): boolean } | null
  comparisons: Comparisons
  /** Whether an entry can lack it: a box that was never ticked is no. */
  canBeEmpty: boolean
  /** With what it is compared. */
  comparedWith: 'words' | 'number' | 'day' | 'yes-no'
  /** With which input it is filled in. */
  input: FieldInput
  /** The value as words in one cell, which come in again as the same value. */
  toCell(value: unknown, field: FieldDetails, context: ExportContext): string
  /** The same as JSON, of a value that is there; `cell` is what `toCell` gave. */
  toJson(value: unknown, field: FieldDetails, cell: string): unknown
}
