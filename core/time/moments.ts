import { Temporal } from 'temporal-polyfill'
import { isDay } from './days'
import type { Day, LocalTime, Moment } from './types'

/**
 * Moments, and what the clocks of time zones show at them. One rule for clocks that change: a time that the clocks skip
 * is as much later as they skip, and a time that comes twice is the first (RFC 5545, 3.3.5; Temporal: `compatible`).
 */

const MOMENT = /^\d{4}-\d{2}-\d{2}T([01]\d|2[0-3]):[0-5]\d(:[0-5]\d(\.\d{1,6})?)?(Z|[+-]([01]\d|2[0-3]):?[0-5]\d)?$/
const ZONE = /(Z|[+-]\d{2}:?\d{2})$/

/** True for a day with a time of that day; with its zone, or as the clocks of the site show it. */
export function isMoment(text: unknown): text is string {
  return typeof text === 'string' && MOMENT.test(text) && isDay(text.slice(0, 10))
}

/** No name of a time zone is longer. */
const MOST_NAME = 80

const hasZone = (moment: string): boolean => ZONE.test(moment.slice(10))

const inZone = (timeZone: string, at: Moment) => Temporal.Instant.fromEpochMilliseconds(at).toZonedDateTimeISO(timeZone)

/** The calendar day and the weekday (1 Monday to 7 Sunday) of a moment in a time zone. */
export function dayIn(timeZone: string, at: Moment): { day: Day; weekday: number } {
  const there = inZone(timeZone, Math.floor(at))
  return { day: there.toPlainDate().toString() as Day, weekday: there.dayOfWeek }
}

/** What the clocks of a time zone show at a moment: `YYYY-MM-DDTHH:MM`. */
export const clockIn = (timeZone: string, at: Moment): LocalTime =>
  inZone(timeZone, Math.floor(at)).toPlainDateTime().toString({ smallestUnit: 'minute' }) as LocalTime

/** What clocks show when a day begins. */
export const startOfDay = (day: Day): LocalTime => `${day}T00:00` as LocalTime

/** The day of what clocks show. */
export const dayOfClock = (time: LocalTime): Day => time.slice(0, 10) as Day

/** The calendar day of a moment in a time zone. */
export const todayIn = (timeZone: string, at: Moment): Day => dayIn(timeZone, at).day

/**
 * The moment that a text names: a moment with its zone, or a day or a moment as the clocks of `timeZone` show it. A day
 * alone is its beginning, also where its midnight is skipped. Null where the text is neither.
 */
export function momentIn(text: string, timeZone: string): Moment | null {
  if (isDay(text)) return Temporal.PlainDate.from(text).toZonedDateTime(timeZone).epochMilliseconds
  if (!isMoment(text)) return null
  if (hasZone(text)) return Temporal.Instant.from(text).epochMilliseconds
  return Temporal.PlainDateTime.from(text).toZonedDateTime(timeZone).epochMilliseconds
}

/** The day on which something stands in a time zone: a day is itself, a moment its day there; null for other texts. */
export function dayOf(text: string, timeZone: string): Day | null {
  if (isDay(text)) return text
  const at = momentIn(text, timeZone)
  return at === null ? null : todayIn(timeZone, at)
}

/** A moment in UTC, as ISO 8601 has it, to the millisecond: `2026-03-29T14:00:00.000Z`. */
export const instantText = (at: Moment): string =>
  Temporal.Instant.fromEpochMilliseconds(Math.floor(at)).toString({ fractionalSecondDigits: 3 })

/** The same to the second. */
export const secondText = (at: Moment): string =>
  Temporal.Instant.fromEpochMilliseconds(Math.floor(at)).toString({ smallestUnit: 'second' })

/** A moment as mails and feeds of old have it (RFC 1123). */
export const mailTime = (at: Moment): string => new Date(at).toUTCString()

/** The time zone of whoever runs this: of the browser, in a browser. */
export const zoneHere = (): string => Temporal.Now.timeZoneId()

/** Whether the platform knows a time zone by its name. Temporal would take whole times for one, and writers would not. */
export function isTimeZone(name: string): boolean {
  if (name.length > MOST_NAME) return false
  try {
    new Intl.DateTimeFormat('en', { timeZone: name })
    return true
  } catch (error) {
    if (error instanceof RangeError) return false
    throw error
  }
}

/** Under which key it is noted that something was made from the day: see `Catalogue.watch`. */
export const BY_DAY = 'day'
