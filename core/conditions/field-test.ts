import { type Catalogue, entryValue, isEmpty } from '../catalogue'
import { type Entry, type Field, type FieldKind, type Id, type PageType, isRichDoc, richText } from '../model'
import { addDays, isDay, dayOf } from '../time'

/** Fields that every entry has, besides those of its page type, by what they are called in tests. */
export const EVERY_ENTRY: Readonly<Record<Id, string>> = {
  title: 'Title',
  summary: 'Summary',
  content: 'Content',
  picture: 'Lead picture',
  date: 'Date',
  person: 'Person',
}

/** Field tests: how a value is compared goes by the kind of its field (rules: How values are compared). */

export const OPS = [
  'is-empty',
  'is-not-empty',
  'is',
  'is-not',
  'contains',
  'at-least',
  'at-most',
  'before',
  'after',
  'in-next',
  'in-last',
] as const
export type FieldTestOp = (typeof OPS)[number]

/** So many days are counted at most: a hundred years. */
export const MOST_DAYS = 36_525

/** A field of an entry is tested. */
export interface FieldTest {
  kind: 'field'
  field: Id
  op: FieldTestOp
  value: string | number | boolean | null
}

type Asked = FieldTest['value']
type Holds = (value: unknown) => boolean

/** Fields that every entry has, besides those of its page type. */
const BUILT_IN: Record<Id, { kind: FieldKind; read(entry: Entry): unknown }> = {
  title: { kind: 'text', read: (e) => e.title },
  summary: { kind: 'text', read: (e) => e.summary },
  content: { kind: 'rich', read: (e) => e.content },
  picture: { kind: 'picture', read: (e) => e.picture },
  date: { kind: 'date', read: (e) => e.date },
  person: { kind: 'person', read: (e) => e.person },
}

export const builtInField = (id: Id) => (Object.hasOwn(BUILT_IN, id) ? BUILT_IN[id] : undefined)

/** Texts that differ by case or by how their marks are written are the same (Unicode: full case folding, in NFC). */
const folded = (text: string): string => text.trim().normalize('NFC').toUpperCase().toLowerCase().normalize('NFC')
const asText = (value: unknown): string =>
  isRichDoc(value)
    ? richText(value)
    : typeof value === 'string'
      ? value
      : typeof value === 'number'
        ? String(value)
        : ''

type Compare = (asked: Asked, catalogue: Catalogue) => Holds | null

const TEXT: Partial<Record<FieldTest['op'], Compare>> = {
  is: (asked) => (value) => folded(asText(value)) === folded(String(asked)),
  contains: (asked) =>
    folded(String(asked)) ? (value) => folded(asText(value)).includes(folded(String(asked))) : null,
}

const NUMBER: Partial<Record<FieldTest['op'], Compare>> = {
  is: (asked) => (value) => typeof value === 'number' && value === asked,
  'at-least': (asked) => (value) => typeof value === 'number' && typeof asked === 'number' && value >= asked,
  'at-most': (asked) => (value) => typeof value === 'number' && typeof asked === 'number' && value <= asked,
}

/** Days are ISO 8601, so that they compare as texts; a moment goes by its day in the site's time zone. */
const byDay =
  (holds: (day: string, asked: string) => boolean): Compare =>
  (asked, { site }) => {
    const { timeZone } = site.settings
    const day = typeof asked === 'string' ? dayOf(asked, timeZone) : null
    if (day === null) return null
    return (value) => {
      const own = typeof value === 'string' ? dayOf(value, timeZone) : null
      return own !== null && holds(own, day)
    }
  }

/** Days around today, as the clocks of the site have it: so many to come, or gone by, today among them. */
const aroundToday =
  (way: 1 | -1): Compare =>
  (asked, catalogue) => {
    if (typeof asked !== 'number' || !Number.isFinite(asked)) return null
    const { timeZone } = catalogue.site.settings
    const { today } = catalogue
    const end = addDays(today, way * Math.min(MOST_DAYS, Math.max(0, Math.round(asked))))
    const [from, until] = way > 0 ? [today, end] : [end, today]
    return (value) => {
      const own = typeof value === 'string' ? dayOf(value, timeZone) : null
      return own !== null && own >= from && own <= until
    }
  }

const BY_TODAY: ReadonlySet<FieldTestOp> = new Set(['in-next', 'in-last'])

/** Whether what a test comes to depends on the day. */
export const readsToday = ({ op }: Pick<FieldTest, 'op'>): boolean => BY_TODAY.has(op)

const DAY: Partial<Record<FieldTest['op'], Compare>> = {
  is: byDay((a, b) => a === b),
  before: byDay((a, b) => a < b),
  after: byDay((a, b) => a > b),
  'at-least': byDay((a, b) => a >= b),
  'at-most': byDay((a, b) => a <= b),
  'in-next': aroundToday(1),
  'in-last': aroundToday(-1),
}

/** A box never ticked is no. */
const YES_NO: Partial<Record<FieldTest['op'], Compare>> = {
  is: (asked) => (typeof asked === 'boolean' ? (value) => (value === true) === asked : null),
}

const oneOrMany = (value: unknown): unknown[] => (Array.isArray(value) ? value : [value])

/** By id; what no longer exists is nothing's value. */
const byId = (exists: (id: Id, catalogue: Catalogue) => boolean): Partial<Record<FieldTest['op'], Compare>> => ({
  is: (asked, catalogue) =>
    typeof asked === 'string' && exists(asked, catalogue) ? (value) => oneOrMany(value).includes(asked) : null,
})

const COMPARE: Record<FieldKind, Partial<Record<FieldTest['op'], Compare>>> = {
  text: TEXT,
  rich: TEXT,
  link: TEXT,
  number: NUMBER,
  money: NUMBER,
  date: DAY,
  moment: DAY,
  'yes-no': YES_NO,
  choice: byId(() => true),
  choices: byId(() => true),
  person: byId((id, c) => c.people.has(id)),
  entry: byId((id, c) => c.entries.has(id)),
  picture: byId((id, c) => c.pictures.has(id)),
  pictures: byId((id, c) => c.pictures.has(id)),
  offers: {},
  documents: {},
  position: {},
}

const NEVER: Holds = () => false

/** The test of a field of a kind; one that does not suit the kind never holds. */
function compare({ op, value }: FieldTest, kind: FieldKind, catalogue: Catalogue): Holds {
  if (op === 'is-empty') return isEmpty
  if (op === 'is-not-empty') return (v) => !isEmpty(v)
  if (op !== 'is-not') return COMPARE[kind][op]?.(value, catalogue) ?? NEVER
  const is = COMPARE[kind].is
  if (!is) return NEVER
  const holds = is(value, catalogue) ?? NEVER
  return (v) => !holds(v)
}

/**
 * A field test, made ready for asking it of many entries. On a field that an entry's page type does not have it
 * does not hold, not even "is empty" or "is not" (rules: Targets).
 */
export function fieldTest(test: FieldTest, catalogue: Catalogue): (entry: Entry) => boolean {
  const builtIn = builtInField(test.field)
  if (builtIn) {
    const holds = compare(test, builtIn.kind, catalogue)
    return (entry) => holds(builtIn.read(entry))
  }
  const byType = new Map<Id, { type: PageType; holds: Holds }>()
  for (const type of catalogue.types.values()) {
    const field = type.fields.find((f) => f.id === test.field)
    if (field) byType.set(type.id, { type, holds: compare(test, field.kind, catalogue) })
  }
  return (entry) => {
    const known = byType.get(entry.type)
    return known ? known.holds(entryValue(catalogue, entry, known.type, test.field)) : false
  }
}

/** The field as a page type (null: any) has it, or as every entry has it. */
export function fieldFor(catalogue: Catalogue, type: Id | null, id: Id): Field {
  for (const t of catalogue.types.values()) {
    const field = type === null || t.id === type ? t.fields.find((f) => f.id === id) : undefined
    if (field) return field
  }
  return { id, label: EVERY_ENTRY[id] ?? id, kind: builtInField(id)?.kind ?? 'text' }
}

/** The tests that suit a kind of field. The content of entries can only be asked whether it is there. */
export function opsFor(field: Pick<Field, 'id' | 'kind'>): FieldTestOp[] {
  const compare = field.id === 'content' ? {} : COMPARE[field.kind]
  return OPS.filter((op) => {
    if (op === 'is-empty' || op === 'is-not-empty') return field.kind !== 'yes-no'
    return op === 'is-not' ? 'is' in compare && field.kind !== 'yes-no' : op in compare
  })
}

/** Why a test does not suit a field, as the end of a sentence; null where it does. */
export function unsuited({ op, value }: Pick<FieldTest, 'op' | 'value'>, field: Field): string | null {
  if (!opsFor(field).includes(op) && !(field.kind === 'yes-no' && ASKS_NOTHING.has(op)))
    return `${field.label} cannot be tested so`
  if (ASKS_NOTHING.has(op) || BY_TODAY.has(op)) return null
  switch (field.kind) {
    case 'number':
    case 'money':
      return typeof value === 'number' ? null : `${field.label} is compared with a number`
    case 'date':
    case 'moment':
      return isDay(value) ? null : `${field.label} is compared with a day of the calendar, such as 2026-03-29`
    case 'yes-no':
      return typeof value === 'boolean' ? null : `${field.label} is yes or no`
    default:
      return typeof value === 'string' ? null : `${field.label} is compared with words`
  }
}

const ASKS_NOTHING: ReadonlySet<FieldTestOp> = new Set(['is-empty', 'is-not-empty'])

/** What a test names by its value, where that is gone: a person, an entry, a picture, or a choice of the field. */
export function goneIn({ op, value }: FieldTest, field: Field, catalogue: Catalogue): NamedByTest | null {
  if ((op !== 'is' && op !== 'is-not') || typeof value !== 'string') return null
  if (field.kind === 'person') return catalogue.people.has(value) ? null : { what: 'person', id: value }
  if (field.kind === 'entry') return catalogue.entries.has(value) ? null : { what: 'page', id: `entry:${value}` }
  if (field.kind === 'picture' || field.kind === 'pictures')
    return catalogue.pictures.has(value) ? null : { what: 'picture', id: value }
  if (field.kind !== 'choice' && field.kind !== 'choices') return null
  return field.choices?.some((c) => c.id === value) ? null : { what: 'choice', id: value }
}

export interface NamedByTest {
  what: 'person' | 'page' | 'picture' | 'choice'
  id: string
}

/** The fields that a test is made of: on a page type (null: any), as it has them, or as every entry has them. */
export function fieldsTested(catalogue: Catalogue, type: Id | null, id: Id): Field[] {
  const builtIn = builtInField(id)
  if (builtIn) return [{ id, label: EVERY_ENTRY[id] ?? id, kind: builtIn.kind }]
  return [...catalogue.types.values()].flatMap((t) =>
    type === null || t.id === type ? t.fields.filter((f) => f.id === id) : [],
  )
}
