/** Days and moments. A day is `YYYY-MM-DD`; a moment an ISO 8601 date with its time, and its zone or the site's. */

const DAY = /^(\d{4})-(\d{2})-(\d{2})$/
const MOMENT = /^\d{4}-\d{2}-\d{2}T([01]\d|2[0-3]):[0-5]\d(:[0-5]\d(\.\d{1,6})?)?(Z|[+-]([01]\d|2[0-3]):?[0-5]\d)?$/

/** True for a day that the calendar has. */
export function isDay(text: unknown): text is string {
  const found = typeof text === 'string' ? DAY.exec(text) : null
  if (!found) return false
  const [year, month, day] = [Number(found[1]), Number(found[2]), Number(found[3])]
  const at = new Date(Date.UTC(year, month - 1, day))
  // Years before 100 are read as 19xx by the calendar of the language.
  return year >= 100 && at.getUTCMonth() === month - 1 && at.getUTCDate() === day
}

/** True for a day with a time of that day. */
export function isMoment(text: unknown): text is string {
  return typeof text === 'string' && MOMENT.test(text) && isDay(text.slice(0, 10))
}

const hasZone = (moment: string): boolean => /(Z|[+-]\d{2}:?\d{2})$/.test(moment.slice(10))

const PARTS = new Map<string, Intl.DateTimeFormat>()
const WEEKDAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun']

/** The calendar and the clock of a time zone at a moment (milliseconds since 1970). */
function partsIn(timeZone: string, at: number): Record<string, string> {
  let format = PARTS.get(timeZone)
  if (!format) {
    const two = '2-digit' as const
    const parts = { year: 'numeric', month: two, day: two, hour: two, minute: two, second: two } as const
    PARTS.set(
      timeZone,
      (format = new Intl.DateTimeFormat('en-GB', { ...parts, weekday: 'short', hourCycle: 'h23', timeZone })),
    )
  }
  return Object.fromEntries(format.formatToParts(at).map((p) => [p.type, p.value]))
}

/** The calendar day (`YYYY-MM-DD`) and the weekday (1 Monday to 7 Sunday) of a moment in a time zone. */
export function dayIn(timeZone: string, at: number): { day: string; weekday: number } {
  const part = partsIn(timeZone, at)
  return {
    day: `${part.year!.padStart(4, '0')}-${part.month}-${part.day}`,
    weekday: WEEKDAYS.indexOf(part.weekday!) + 1,
  }
}

/** What the clocks of a time zone show at a moment: `YYYY-MM-DDTHH:MM`. */
export function clockIn(timeZone: string, at: number): string {
  const { hour, minute } = partsIn(timeZone, at)
  return `${dayIn(timeZone, at).day}T${hour}:${minute}`
}

/** How far a time zone is from UTC at a moment, in milliseconds. */
function offsetOf(timeZone: string, at: number): number {
  const part = partsIn(timeZone, at)
  const n = (name: string) => Number(part[name])
  const wall = Date.UTC(n('year'), n('month') - 1, n('day'), n('hour'), n('minute'), n('second'))
  return wall - Math.floor(at / 1000) * 1000
}

const DAY_MS = 24 * 60 * 60_000

/**
 * The moment at which the clocks of a time zone show a wall time (given as if it were UTC, in milliseconds).
 * A time that the clocks skip moves forward by what they skip; of a time that comes twice it is the first.
 */
function momentOfWall(wall: number, timeZone: string): number {
  const [before, after] = [offsetOf(timeZone, wall - DAY_MS), offsetOf(timeZone, wall + DAY_MS)]
  const early = wall - before
  if (before === after || offsetOf(timeZone, early) === before) return early
  const late = wall - after
  return offsetOf(timeZone, late) === after ? late : early
}

/**
 * The moment (milliseconds since 1970) that a text names: a moment with its zone, or a day or a moment as the clocks
 * of `timeZone` show it. A day alone is its beginning. Null when the text is neither.
 */
export function momentIn(text: string, timeZone: string): number | null {
  if (!isMoment(text) && !isDay(text)) return null
  if (isMoment(text) && hasZone(text)) return Date.parse(text)
  return momentOfWall(Date.parse(isDay(text) ? `${text}T00:00:00Z` : `${text}Z`), timeZone)
}

/** The day on which something stands in a time zone: a day is itself, a moment its day there; null for other texts. */
export function dayOf(text: string, timeZone: string): string | null {
  if (isDay(text)) return text
  const at = momentIn(text, timeZone)
  return at === null ? null : dayIn(timeZone, at).day
}

/** Under which key it is noted that something was made from the day: see `Catalogue.watch`. */
export const BY_DAY = 'day'

/** No calendar that is asked for ends before or behind these. */
const [FIRST_MS, LAST_MS] = [Date.parse('0001-01-01T00:00:00Z'), Date.parse('9999-12-31T00:00:00Z')]

/** How many days lie between two days; less than nothing when the first is later. */
export const daysBetween = (from: string, to: string): number =>
  Math.round((Date.parse(`${to}T00:00:00Z`) - Date.parse(`${from}T00:00:00Z`)) / DAY_MS)

/** A day (`YYYY-MM-DD`) so many days behind another, or before it. */
export function addDays(day: string, days: number): string {
  const at = Date.parse(`${day}T00:00:00Z`) + days * DAY_MS
  return new Date(Math.min(LAST_MS, Math.max(FIRST_MS, at))).toISOString().slice(0, 10)
}
