import { type Catalogue, type Place, entrySubject, fieldSource } from '../catalogue'
import type { Entry, FieldRef, Id } from '../model'
import { dayOf } from '../time'

/** What a field of entries comes to where lists narrow, sort and group by it. */

/** How values of a kind are told apart: by which they are, or by how much. */
export type Measure = 'keys' | 'number' | 'day'

const DAY_MS = 24 * 60 * 60_000

/** A day (`YYYY-MM-DD`) as a number, and back. */
export const dayNumber = (day: string): number => Math.round(Date.parse(`${day}T00:00:00Z`) / DAY_MS)
export const dayOfNumber = (number: number): string => new Date(number * DAY_MS).toISOString().slice(0, 10)

/** What a field says for an entry, read as on its own page; `null` where it says nothing. */
export type ReadField = (entry: Entry) => { kind: string; value: unknown } | null

const NO_PAGE = { key: '', kind: 'not-found', address: '', title: '' } as const

/** How a field is read on entries of any type. */
export function readerOf(catalogue: Catalogue, field: Id): ReadField {
  const ref: FieldRef = { of: 'page', field }
  const source = fieldSource(ref)
  const place: Place = {
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

/** What terms an entry is in, with those above them; a term that is its own ancestor ends there. */
function withThoseAbove(catalogue: Catalogue, terms: readonly Id[]): Id[] {
  const found = new Set<Id>()
  for (let next of terms as readonly (Id | null)[])
    while (next && !found.has(next)) {
      found.add(next)
      next = catalogue.terms.get(next)?.parent ?? null
    }
  return [...found]
}

/** What an entry is found under by a field: ids of choices, terms, people and entries, texts as they are, `yes` and `no`. */
export function keysOf(catalogue: Catalogue, read: ReadField): (entry: Entry) => readonly string[] {
  return (entry) => {
    const found = read(entry)
    if (!found) return NONE
    const { kind, value } = found
    if (kind === 'yes-no') return value === true ? YES : NO
    if (kind === 'terms') return withThoseAbove(catalogue, value as Id[])
    if (Array.isArray(value)) return value.filter((v): v is string => typeof v === 'string')
    return typeof value === 'string' ? [value] : typeof value === 'number' ? [String(value)] : NONE
  }
}

const NONE: readonly string[] = []
const YES: readonly string[] = ['yes']
const NO: readonly string[] = ['no']

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
