import { isRichDoc, richText } from '../rich'
import type { Id } from '../shape'
import { addDays, dayOf } from '../time'
import type { Directory, ReferredKind } from './directory'

/** How the value of a field is compared (`docs/comparing.md`). */

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

/** No test reaches further than a hundred years from today. */
export const MOST_DAYS = 36_525

export type ComparedWith = string | number | boolean | null
export type Holds = (value: unknown) => boolean
/** Makes one comparison ready; null where it can never hold. */
type Compare = (wanted: ComparedWith, directory: Directory) => Holds | null
export type Comparisons = Partial<Record<FieldTestOp, Compare>>

/** Texts that differ by case or by how their marks are written are the same (Unicode: full case folding, in NFC). */
const folded = (text: string): string => text.trim().normalize('NFC').toUpperCase().toLowerCase().normalize('NFC')

function asText(value: unknown): string {
  if (isRichDoc(value)) return richText(value)
  return typeof value === 'string' ? value : typeof value === 'number' ? String(value) : ''
}

export const TEXT: Comparisons = {
  is: (wanted) => (value) => folded(asText(value)) === folded(String(wanted)),
  contains: (wanted) =>
    folded(String(wanted)) ? (value) => folded(asText(value)).includes(folded(String(wanted))) : null,
}

export const NUMBER: Comparisons = {
  is: (wanted) => (value) => typeof value === 'number' && value === wanted,
  'at-least': (wanted) => (value) => typeof value === 'number' && typeof wanted === 'number' && value >= wanted,
  'at-most': (wanted) => (value) => typeof value === 'number' && typeof wanted === 'number' && value <= wanted,
}

/** Days are ISO 8601, so that they compare as texts; a moment goes by its day in the site's time zone. */
const byDay =
  (holds: (day: string, wanted: string) => boolean): Compare =>
  (wanted, { timeZone }) => {
    const day = typeof wanted === 'string' ? dayOf(wanted, timeZone) : null
    if (day === null) return null
    return (value) => {
      const own = typeof value === 'string' ? dayOf(value, timeZone) : null
      return own !== null && holds(own, day)
    }
  }

/** Days around today, by the clocks of the site: so many to come, or gone by, today among them. */
const aroundToday =
  (way: 1 | -1): Compare =>
  (wanted, { timeZone, today }) => {
    if (typeof wanted !== 'number' || !Number.isFinite(wanted)) return null
    const end = addDays(today, way * Math.min(MOST_DAYS, Math.max(0, Math.round(wanted))))
    const [from, until] = way > 0 ? [today, end] : [end, today]
    return (value) => {
      const own = typeof value === 'string' ? dayOf(value, timeZone) : null
      return own !== null && own >= from && own <= until
    }
  }

export const DAY: Comparisons = {
  is: byDay((a, b) => a === b),
  before: byDay((a, b) => a < b),
  after: byDay((a, b) => a > b),
  'at-least': byDay((a, b) => a >= b),
  'at-most': byDay((a, b) => a <= b),
  'in-next': aroundToday(1),
  'in-last': aroundToday(-1),
}

export const YES_NO: Comparisons = {
  is: (wanted) => (typeof wanted === 'boolean' ? (value) => (value === true) === wanted : null),
}

const oneOrMany = (value: unknown): unknown[] => (Array.isArray(value) ? value : [value])

const byId = (exists: (id: Id, directory: Directory) => boolean): Comparisons => ({
  is: (wanted, directory) =>
    typeof wanted === 'string' && exists(wanted, directory) ? (value) => oneOrMany(value).includes(wanted) : null,
})

export const CHOSEN: Comparisons = byId(() => true)

/** By id; something that no longer exists is the value of no field. */
export const referring = (kind: ReferredKind): Comparisons => byId((id, directory) => directory.has(kind, id))
