import { type Catalogue, directoryOf, entryValue } from '../catalogue'
import {
  type ComparedWith,
  type Field,
  type FieldKind,
  type FieldSpec,
  type FieldTestOp,
  type Holds,
  OPS,
  fieldSpec,
  hasChoices,
  isEmpty,
} from '../fields'
import type { Entry, Id, PageType } from '../model'
import { isDay } from '../time'

/** Fields that every entry has, besides those of its page type, by what they are called in tests. */
export const EVERY_ENTRY: Readonly<Record<Id, string>> = {
  title: 'Title',
  summary: 'Summary',
  content: 'Content',
  picture: 'Lead picture',
  date: 'Date',
  person: 'Person',
}

/** A field of an entry is tested. */
export interface FieldTest {
  kind: 'field'
  field: Id
  op: FieldTestOp
  value: ComparedWith
}

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

const BY_TODAY: ReadonlySet<FieldTestOp> = new Set(['in-next', 'in-last'])

/** Whether what a test comes to depends on the day. */
export const readsToday = ({ op }: Pick<FieldTest, 'op'>): boolean => BY_TODAY.has(op)

const NEVER: Holds = () => false

/** The test of a field of a kind; one that does not suit the kind never holds. */
function compare({ op, value }: FieldTest, kind: FieldKind, catalogue: Catalogue): Holds {
  if (op === 'is-empty') return isEmpty
  if (op === 'is-not-empty') return (v) => !isEmpty(v)
  if (op !== 'is-not') return fieldSpec(kind).comparisons[op]?.(value, directoryOf(catalogue)) ?? NEVER
  const { is } = fieldSpec(kind).comparisons
  if (!is) return NEVER
  const holds = is(value, directoryOf(catalogue)) ?? NEVER
  return (v) => !holds(v)
}

/**
 * A field test, made ready for asking it of many entries. On a field that an entry's page type does not have it
 * does not hold, not even "is empty" or "is not" (`docs/comparing.md`).
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
  const { comparisons, canBeEmpty } = fieldSpec(field.kind)
  const suiting = field.id === 'content' ? {} : comparisons
  return OPS.filter((op) => {
    if (op === 'is-empty' || op === 'is-not-empty') return canBeEmpty
    return op === 'is-not' ? 'is' in suiting && canBeEmpty : op in suiting
  })
}

const COMPARED: Readonly<
  Record<FieldSpec['comparedWith'], { suits(value: unknown): boolean; otherwise(label: string): string }>
> = {
  words: { suits: (v) => typeof v === 'string', otherwise: (label) => `${label} is compared with words` },
  number: { suits: (v) => typeof v === 'number', otherwise: (label) => `${label} is compared with a number` },
  day: { suits: isDay, otherwise: (label) => `${label} is compared with a day of the calendar, such as 2026-03-29` },
  'yes-no': { suits: (v) => typeof v === 'boolean', otherwise: (label) => `${label} is yes or no` },
}

/** Why a test does not suit a field, as the end of a sentence; null where it does. */
export function unsuited({ op, value }: Pick<FieldTest, 'op' | 'value'>, field: Field): string | null {
  const { canBeEmpty, comparedWith } = fieldSpec(field.kind)
  if (!opsFor(field).includes(op) && (canBeEmpty || !ASKS_NOTHING.has(op))) return `${field.label} cannot be tested so`
  if (ASKS_NOTHING.has(op) || BY_TODAY.has(op)) return null
  const { suits, otherwise } = COMPARED[comparedWith]
  return suits(value) ? null : otherwise(field.label)
}

const ASKS_NOTHING: ReadonlySet<FieldTestOp> = new Set(['is-empty', 'is-not-empty'])

/** What a test names by its value, where that is gone: a person, an entry, a picture, or a choice of the field. */
export function goneIn({ op, value }: FieldTest, field: Field, catalogue: Catalogue): NamedByTest | null {
  if ((op !== 'is' && op !== 'is-not') || typeof value !== 'string') return null
  const { refers } = fieldSpec(field.kind)
  if (refers !== null) {
    if (directoryOf(catalogue).has(refers, value)) return null
    return refers === 'entry' ? { what: 'page', id: `entry:${value}` } : { what: refers, id: value }
  }
  if (!hasChoices(field.kind)) return null
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
