import type { BuiltInField, Entry, FieldRef, Id, Page, PageType, Person, Term } from '../model'
import type { Catalogue } from './catalogue'
import { type Field, READINGS, type Reading, type ReadingKind, converted, isEmpty } from '../fields'
import { minutesToRead } from '../rich'
import { writtenIn } from './named'

/** What a page, a card or a shared piece is about. */
export type Subject =
  | { kind: 'entry'; entry: Entry; type: PageType }
  | { kind: 'term'; term: Term }
  | { kind: 'person'; person: Person }
  | { kind: 'page' }

export interface Visitor {
  role: string
  name: string
}

/** Where fields are read: the subject, and around it the page, the site, the visitor and the search. */
export interface FieldContext {
  catalogue: Catalogue
  page: Page
  subject: Subject
  visitor: Visitor
  /** What the visitor searched for; empty except on the search page. */
  query: string
  /** Entries found by the search. */
  found: readonly Entry[]
  /** The words that were met instead, where those searched for stand nowhere; else empty. */
  near: string
}

export function subjectOf(catalogue: Catalogue, page: Page): Subject {
  const entry = page.entry ? catalogue.entries.get(page.entry) : undefined
  if (entry) return entrySubject(catalogue, entry)
  const term = page.term ? catalogue.terms.get(page.term) : undefined
  if (term) return { kind: 'term', term }
  const person = page.person ? catalogue.people.get(page.person) : undefined
  return person ? { kind: 'person', person } : { kind: 'page' }
}

export function entrySubject(catalogue: Catalogue, entry: Entry): Subject {
  const type = catalogue.types.get(entry.type)
  return type ? { kind: 'entry', entry, type } : { kind: 'page' }
}

/** A value as its kind has it; what a field whose kind was changed holds is read as what it comes to. */
function reading(kind: ReadingKind, value: unknown, field?: Field, catalogue?: Catalogue): Reading | null {
  if (isEmpty(value)) return null
  if (READINGS[kind].suits(value)) return { kind, value, field }
  const next = field ? converted(field, value, catalogue && writtenIn(catalogue.site.settings)) : null
  return isEmpty(next) ? null : { kind, value: next, field }
}

type BuiltIn = {
  label: string
  kind: ReadingKind
  /** What is told of its values beyond their kind. */
  field?: Field
  read(subject: Subject, place: FieldContext): unknown
}

/** How many entries a term, a person or a page lists, or the search has found; null for an entry. */
export const countOf = (
  subject: Subject,
  { catalogue, page, found }: Pick<FieldContext, 'catalogue' | 'page' | 'found'>,
): number | null => {
  if (subject.kind === 'term') return catalogue.entriesInTerm(subject.term.id).length
  if (subject.kind === 'person') return catalogue.entriesBy(subject.person.id).length
  if (subject.kind === 'entry') return null
  return page.kind === 'search' ? found.length : catalogue.listing(page).length
}

/** Fields that every subject answers, each in its own way; null where it has none. */
export const BUILT_IN: Readonly<Record<BuiltInField, BuiltIn>> & Readonly<Record<string, BuiltIn | undefined>> = {
  title: {
    label: 'Title',
    kind: 'text',
    read(subject, { page }) {
      if (subject.kind === 'entry') return subject.entry.title
      if (subject.kind === 'term') return subject.term.title
      return subject.kind === 'person' ? subject.person.name : page.title
    },
  },
  summary: {
    label: 'Summary',
    kind: 'text',
    read(subject) {
      if (subject.kind === 'entry') return subject.entry.summary
      if (subject.kind === 'term') return subject.term.tagline
      return subject.kind === 'person' ? subject.person.role : null
    },
  },
  description: {
    label: 'Description',
    kind: 'text',
    read(subject) {
      if (subject.kind === 'term') return subject.term.description
      return subject.kind === 'person' ? subject.person.about : null
    },
  },
  content: { label: 'Content', kind: 'rich', read: (s) => (s.kind === 'entry' ? s.entry.content : null) },
  picture: {
    label: 'Lead picture',
    kind: 'picture',
    read(subject) {
      if (subject.kind === 'entry') return subject.entry.picture
      if (subject.kind === 'term') return subject.term.picture
      return subject.kind === 'person' ? subject.person.picture : null
    },
  },
  date: { label: 'Date', kind: 'date', read: (s) => (s.kind === 'entry' ? s.entry.date : null) },
  person: { label: 'Person', kind: 'person', read: (s) => (s.kind === 'entry' ? s.entry.person : null) },
  mail: { label: 'Mail address', kind: 'text', read: (s) => (s.kind === 'person' ? s.person.mail : null) },
  phone: { label: 'Telephone', kind: 'text', read: (s) => (s.kind === 'person' ? (s.person.phone ?? null) : null) },
  type: { label: 'Page type', kind: 'text', read: (s) => (s.kind === 'entry' ? s.type.name : null) },
  address: {
    label: 'Address',
    kind: 'link',
    read(subject, { catalogue, page }) {
      if (subject.kind === 'entry') return catalogue.addressOf(subject.entry.id)
      if (subject.kind === 'term') return catalogue.page(`term:${subject.term.id}`)?.address
      if (subject.kind === 'person') return catalogue.page(`person:${subject.person.id}`)?.address
      return page.address
    },
  },
  count: { label: 'Number of entries', kind: 'number', read: countOf },
  'reading-time': {
    label: 'Minutes to read',
    kind: 'number',
    field: { id: 'reading-time', label: 'Minutes to read', kind: 'number', unit: 'minute' },
    read: (s) => (s.kind === 'entry' ? minutesToRead(s.entry.content) : null),
  },
  query: { label: 'Words searched for', kind: 'text', read: (_, { query }) => query },
  near: { label: 'Words met instead', kind: 'text', read: (_, { near }) => near },
}

export const SITE: Record<string, { label: string; read(place: FieldContext): string }> = {
  name: { label: 'Site name', read: ({ catalogue }) => catalogue.site.settings.name },
  tagline: { label: 'Site tagline', read: ({ catalogue }) => catalogue.site.settings.tagline },
}

export const VISITOR: Record<string, { label: string; read(place: FieldContext): string }> = {
  name: { label: "Visitor's name", read: ({ visitor }) => visitor.name },
  role: { label: "Visitor's role", read: ({ visitor }) => visitor.role },
}

export function fieldAround(of: 'site' | 'visitor', id: Id) {
  const table = of === 'site' ? SITE : VISITOR
  return Object.hasOwn(table, id) ? table[id] : undefined
}

/** What the ids of fields begin with that give an entry's terms in a taxonomy. */
export const TERMS = 'terms:'

const FIELDS = new WeakMap<PageType, Map<Id, Field>>()

/** The fields of a page type by id; made once for each state of the type. */
function fieldsOf(type: PageType): Map<Id, Field> {
  let fields = FIELDS.get(type)
  if (!fields) FIELDS.set(type, (fields = new Map(type.fields.map((f) => [f.id, f]))))
  return fields
}

/** How a field is read on a subject: as it is stored, and with what is needed to write it out. */
interface OnSubject {
  raw(subject: Subject, place: FieldContext): unknown
  reading(subject: Subject, place: FieldContext): Reading | null
}

const ownField = (subject: Subject, id: Id): Field | undefined =>
  subject.kind === 'entry' ? fieldsOf(subject.type).get(id) : undefined

/** What an entry holds in a field; of how many there are for sale, those that are left. */
function heldIn({ entry, type }: Extract<Subject, { kind: 'entry' }>, id: Id, { taken }: Catalogue): unknown {
  const value = entry.fields[id]
  return type.sells?.stock === id && typeof value === 'number' ? Math.max(0, value - taken(entry.id)) : value
}

/** What an entry's own field comes to, read by its kind as the kind is now; null where it is empty or comes to nothing. */
export function entryValue(catalogue: Catalogue, entry: Entry, type: PageType, id: Id): unknown {
  const field = fieldsOf(type).get(id)
  return field
    ? (reading(field.kind, heldIn({ kind: 'entry', entry, type }, id, catalogue), field, catalogue)?.value ?? null)
    : null
}

/** How a field is read on a subject, decided once from its id. */
function onSubject(id: Id): OnSubject {
  const builtIn = Object.hasOwn(BUILT_IN, id) ? BUILT_IN[id] : undefined
  if (builtIn) {
    return {
      raw: (subject, place) => builtIn.read(subject, place),
      reading: (subject, place) => reading(builtIn.kind, builtIn.read(subject, place), builtIn.field),
    }
  }
  if (id.startsWith(TERMS)) {
    const taxonomy = id.slice(TERMS.length)
    const termsOf = (subject: Subject) => (subject.kind === 'entry' ? subject.entry.terms : [])
    return {
      raw: termsOf,
      reading: (subject, { catalogue }) =>
        reading(
          'terms',
          termsOf(subject).filter((t) => catalogue.terms.get(t)?.taxonomy === taxonomy),
        ),
    }
  }
  return {
    raw: (subject, { catalogue }) => (subject.kind === 'entry' ? heldIn(subject, id, catalogue) : undefined),
    reading(subject, { catalogue }) {
      const field = ownField(subject, id)
      return field && subject.kind === 'entry'
        ? reading(field.kind, heldIn(subject, id, catalogue), field, catalogue)
        : null
    },
  }
}

/** What the subject belongs to: its person, its first term in a taxonomy, what one of its fields refers to. */
function follow(ref: FieldRef, { subject, catalogue }: FieldContext): Subject | null {
  if (ref.of === 'page') return subject
  if (subject.kind !== 'entry') return null
  const { entry, type } = subject
  const person = (id: unknown): Subject | null => {
    const found = typeof id === 'string' ? catalogue.people.get(id) : undefined
    return found ? { kind: 'person', person: found } : null
  }
  if (ref.of === 'person') return person(entry.person)
  if (ref.of === 'term') {
    const term = entry.terms.map((t) => catalogue.terms.get(t)).find((t) => t?.taxonomy === ref.via)
    return term ? { kind: 'term', term } : null
  }
  const field = type.fields.find((f) => f.id === ref.via)
  const id = field && entry.fields[field.id]
  if (field?.kind === 'person') return person(id)
  const referred = field?.kind === 'entry' && typeof id === 'string' ? catalogue.entries.get(id) : undefined
  return referred && catalogue.isOut(referred) ? entrySubject(catalogue, referred) : null
}

/** Where a field is read, and how: decided once from a reference. */
export interface FieldSource extends OnSubject {
  /** What it is read on; null where there is no such thing. */
  subject(place: FieldContext): Subject | null
}

/** How the field that a reference names is read; made once, when a layout is compiled. */
export function fieldSource(ref: FieldRef): FieldSource {
  if (ref.of === 'site' || ref.of === 'visitor') {
    const known = fieldAround(ref.of, ref.field)
    return {
      subject: ({ subject }) => subject,
      raw: (_, place) => known?.read(place),
      reading: (_, place) => reading('text', known?.read(place)),
    }
  }
  const subject =
    ref.of === 'page' ? (place: FieldContext) => place.subject : (place: FieldContext) => follow(ref, place)
  return { subject, ...onSubject(ref.field) }
}

const SOURCES = new WeakMap<FieldRef, FieldSource>()

/** References to the fields that say when something is over, by those that say when it begins: made once. */
const BESIDE = new WeakMap<FieldRef, FieldRef>()

/** A day or moment together with the field beside it that says when it is over. */
export function withUntil(reading: Reading, ref: FieldRef, until: Id, place: FieldContext): Reading {
  let beside = BESIDE.get(ref)
  if (beside?.field !== until) BESIDE.set(ref, (beside = { ...ref, field: until }))
  const end = readField(beside, place)
  return end?.kind === reading.kind && typeof end.value === 'string' ? { ...reading, until: end.value } : reading
}

/** Reads a field where a reference says; null when there is no such field there or it is empty. */
export function readField(ref: FieldRef, place: FieldContext): Reading | null {
  let source = SOURCES.get(ref)
  if (!source) SOURCES.set(ref, (source = fieldSource(ref)))
  const subject = source.subject(place)
  return subject && source.reading(subject, place)
}
