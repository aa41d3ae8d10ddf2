import { numberWords } from '../numbers'
import { dayOf } from '../time'
import type { Directory, ReferredKind } from './directory'
import type {
  ExportContext,
  FieldDetails,
  FieldReading,
  FieldSpec,
  FieldUses,
  Format,
  ReadingSpec,
  SortKey,
  ValueFormats,
  ValueGroup,
} from './spec'
import { isText, wordsOf } from './values'

/** What kinds of field that are alike have in common; each kind's own file says which of it is true of it. */

export const NO_USE: FieldUses = { filter: null, sort: false, group: false, show: false, sum: false }
const LISTED: FieldUses = { filter: 'keys', sort: true, group: false, show: true, sum: false }
const MEASURED: FieldUses = { ...LISTED, filter: 'number', sum: true }
const DATED: FieldUses = { ...LISTED, filter: 'day' }
const GROUPED: FieldUses = { ...LISTED, group: true }

const words = (text: string, rank: number | string = text): ValueGroup => ({
  key: text,
  rank,
  of: { kind: 'words', value: text },
})
const idIn = (value: unknown): string => String(Array.isArray(value) ? value[0] : value)

/** Texts and numbers are found and sorted as they are. */
function plainKey(value: unknown): SortKey {
  const first = Array.isArray(value) ? value[0] : value
  if (typeof first === 'number') return first
  if (typeof first === 'boolean') return first ? 1 : 0
  return typeof first === 'string' ? first : null
}

function plainKeys(value: unknown): readonly string[] {
  if (Array.isArray(value)) return value.filter(isText)
  return typeof value === 'string' ? [value] : typeof value === 'number' ? [String(value)] : []
}

type Common = Pick<ReadingSpec, 'keys' | 'sortKey' | 'group'>
const AS_IT_IS: Common = { keys: plainKeys, sortKey: plainKey, group: (value) => words(idIn(value)) }

type Out = Pick<FieldSpec, 'toCell' | 'toJson'>
const AS_WORDS: Out = {
  toCell: (value, field) => wordsOf(value, field),
  toJson: (_value, _field, cell) => cell,
}
/** Values with parts of their own go out as JSON, and come in again as it. */
export const AS_JSON: Out = {
  toCell: (value) => (Array.isArray(value) && value.length > 0 ? JSON.stringify(value) : ''),
  toJson: (value) => value,
}

/** Texts of one line. */
export const TEXTUAL = {
  ...AS_IT_IS,
  ...AS_WORDS,
  suits: isText,
  uses: LISTED,
  roles: [],
  formats: [],
  details: [],
  drawn: 'words',
  leads: 'address',
  refers: null,
  readTwoWays: null,
  canBeEmpty: true,
  comparedWith: 'words',
} as const satisfies Partial<FieldSpec>

/** Numbers and amounts. */
export const NUMERIC = {
  ...AS_IT_IS,
  suits: (value) => typeof value === 'number',
  uses: MEASURED,
  formats: ['digits'],
  details: ['limits'],
  drawn: 'words',
  leads: null,
  linked: false,
  refers: null,
  readTwoWays: 'number',
  canBeEmpty: true,
  comparedWith: 'number',
  input: 'number',
  toCell: (value) => (typeof value === 'number' ? numberWords(value) : wordsOf(value)),
  toJson: (value, _, cell) => (typeof value === 'number' ? value : cell),
} as const satisfies Partial<FieldSpec>

/** How far a day is from today; null where that is not wanted, or it is no day. */
function away({ value }: FieldReading, { date }: Format, formats: ValueFormats, directory: Directory): string | null {
  const day = date === 'away' ? dayOf(String(value), directory.timeZone) : null
  return day === null ? null : formats.away(day, directory.today)
}

/** Days and moments; a moment has a time. */
export const dated = (hasTime: boolean) =>
  ({
    ...AS_IT_IS,
    ...AS_WORDS,
    suits: isText,
    uses: DATED,
    roles: ['starts', 'ends', 'day', 'fact'],
    formats: ['date', 'until'],
    details: [],
    drawn: 'words',
    leads: null,
    linked: false,
    refers: null,
    readTwoWays: 'day',
    canBeEmpty: true,
    comparedWith: 'day',
    write(reading, format, formats, directory) {
      const { value, until } = reading
      const far = away(reading, format, formats, directory)
      if (far !== null) return far
      const range =
        until === undefined || format.date === 'away' ? null : formats.range(hasTime, String(value), until, format)
      return range ?? formats[hasTime ? 'moment' : 'date'](String(value), format)
    },
  }) as const satisfies Partial<FieldSpec>

const labelOf = (field: FieldDetails | undefined, id: unknown): string =>
  field?.choices?.find((c) => c.id === id)?.label ?? String(id)
const placeOf = (field: FieldDetails | undefined, id: unknown): number =>
  field?.choices?.findIndex((c) => c.id === id) ?? -1

/** What is chosen among choices that the page type lists: they sort and group in their order. */
export const CHOICES = {
  ...AS_WORDS,
  drawn: 'words',
  leads: null,
  linked: false,
  refers: null,
  uses: GROUPED,
  formats: [],
  details: ['choices'],
  readTwoWays: null,
  canBeEmpty: true,
  comparedWith: 'words',
  keys: plainKeys,
  write: ({ value, field }, format, formats) =>
    Array.isArray(value)
      ? formats.list(
          value.map((id) => labelOf(field, id)),
          format,
        )
      : labelOf(field, value),
  sortKey(value, field) {
    const place = placeOf(field, plainKey(value))
    return place < 0 ? null : place
  },
  group(value, field) {
    const id = idIn(value)
    const place = placeOf(field, id)
    return place < 0 ? words(id) : words(labelOf(field, id), place)
  },
} as const satisfies Partial<FieldSpec>

/** The choice that words name, by its id or its label; null for none. */
export function choiceNamed(value: string, { choices = [] }: FieldDetails): string | null {
  const plain = value.trim().toLowerCase()
  return choices.find((c) => c.id.toLowerCase() === plain || c.label.trim().toLowerCase() === plain)?.id ?? null
}

/** What refers to one thing of the site by its id. */
export const reference = <K extends ReferredKind>(kind: K) =>
  ({
    suits: isText,
    refers: kind,
    leads: kind,
    linked: true,
    roles: [],
    formats: [],
    details: [],
    readTwoWays: null,
    guess: null,
    canBeEmpty: true,
    comparedWith: 'words',
    keys: plainKeys,
    toCell: (value: unknown, _: FieldDetails, context: ExportContext) =>
      value === null || value === undefined ? '' : context.nameOf(kind, String(value)),
    toJson: AS_WORDS.toJson,
  }) as const

/** People and entries are written, sorted and grouped by what they are called. */
export const namedReference = <K extends 'person' | 'entry'>(kind: K) =>
  ({
    ...reference(kind),
    uses: GROUPED,
    drawn: 'words',
    write: ({ value }, _format, _formats, directory) => directory.nameOf(kind, String(value)),
    sortKey: (value, _, directory) => directory.titleOf(kind, idIn(value)),
  }) as const satisfies Partial<FieldSpec>

/** Things that are neither sorted nor grouped, and written as no line of text. */
export const UNLISTED = {
  ...AS_IT_IS,
  uses: NO_USE,
  roles: [],
  formats: [],
  details: [],
  leads: null,
  linked: false,
  refers: null,
  readTwoWays: null,
  guess: null,
  canBeEmpty: true,
  comparedWith: 'words',
  comparisons: {},
  write: () => '',
} as const satisfies Partial<FieldSpec>

/** The terms of an entry in one taxonomy: read like a field, though no page type has one of this kind. */
export const TERM_LIST: ReadingSpec = {
  suits: (value) => Array.isArray(value) && value.every(isText),
  uses: GROUPED,
  roles: ['place'],
  formats: ['list'],
  drawn: 'terms',
  leads: 'term',
  linked: true,
  keys: (value, directory) => directory.withAbove(value as string[]),
  sortKey: (value, _, directory) => directory.titleOf('term', idIn(value)),
  group(value, _, directory) {
    const id = idIn(value)
    return { key: id, rank: directory.rankOf(id), of: { kind: 'term', value: id } }
  },
  write: ({ value }, format, formats, directory) =>
    formats.list(
      (Array.isArray(value) ? value : [value]).map((id) => directory.nameOf('term', String(id))),
      format,
    ),
}
