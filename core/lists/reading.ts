import { type Catalogue, type FieldContext, directoryOf, entrySubject, fieldSource } from '../catalogue'
import { READINGS, type Reading } from '../fields'
import type { Entry, FieldRef, Id } from '../model'
import { dayOf, dayNumber } from '../time'

/** What a field of entries comes to where lists narrow, sort and group by it. */

/** How values of a kind are told apart: by which they are, or by how much. */
export type Measure = 'keys' | 'number' | 'day'

/** What a field says for an entry, read as on its own page; `null` where it says nothing. */
export type ReadField = (entry: Entry) => Reading | null

const NO_PAGE = { key: '', kind: 'not-found', address: '', title: '' } as const

/** How a field is read on entries of any type. */
export function readerOf(catalogue: Catalogue, field: Id): ReadField {
  const ref: FieldRef = { of: 'page', field }
  const source = fieldSource(ref)
  const place: FieldContext = {
    catalogue,
    page: NO_PAGE,
    subject: { kind: 'page' },
    visitor: { role: 'visitor', name: '' },
    query: '',
    found: [],
    near: '',
  }
  return (entry) => {
    const subject = entrySubject(catalogue, entry)
    return subject.kind === 'entry' ? source.reading(subject, place) : null
  }
}

/** What an entry is found under by a field: ids of choices, terms, people and entries, texts as they are, `yes` and `no`. */
export function keysOf(catalogue: Catalogue, read: ReadField): (entry: Entry) => readonly string[] {
  const directory = directoryOf(catalogue)
  return (entry) => {
    const found = read(entry)
    return found ? READINGS[found.kind].keys(found.value, directory) : NONE
  }
}

const NONE: readonly string[] = []

const asNumber = (value: unknown): number =>
  typeof value === 'number'
    ? value
    : typeof value === 'string' && /^\s*-?\d+(\.\d+)?\s*$/.test(value)
      ? Number(value)
      : NaN

/** What an entry measures by a field; `NaN` for nothing. A text that is a number counts as that. */
export function measureOf(catalogue: Catalogue, read: ReadField, as: 'number' | 'day'): (entry: Entry) => number {
  if (as === 'number') return (entry) => asNumber(read(entry)?.value)
  const { timeZone } = catalogue.site.settings
  return (entry) => {
    const value = read(entry)?.value
    const day = typeof value === 'string' ? dayOf(value, timeZone) : null
    return day === null ? NaN : dayNumber(day)
  }
}
