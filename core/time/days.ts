import { Temporal } from 'temporal-polyfill'
import type { Day } from './types'

/** Days of the calendar. */

const DAY = /^(\d{4})-(\d{2})-(\d{2})$/

/** True for a day that the calendar has. Entries by the thousand are judged by it: it makes no object of each. */
export function isDay(text: unknown): text is Day {
  const found = typeof text === 'string' ? DAY.exec(text) : null
  if (!found) return false
  const [year, month, day] = [Number(found[1]), Number(found[2]), Number(found[3])]
  if (month < 1 || month > 12 || year < 100) return false
  return day >= 1 && day <= (month === 2 && isLeap(year) ? 29 : LENGTHS[month - 1]!)
}

const LENGTHS = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31]
/** Gregorian leap years. */
const isLeap = (year: number): boolean => (year % 4 === 0 && year % 100 !== 0) || year % 400 === 0

/** No calendar ends before or behind these. */
const [FIRST, LAST] = ['0100-01-01', '9999-12-31'].map((day) => Temporal.PlainDate.from(day)) as [
  Temporal.PlainDate,
  Temporal.PlainDate,
]
const MOST_DAYS = FIRST.until(LAST).days

/** A day so many days behind another, or before it; the first or the last day that there is, where it would lie beyond. */
export function addDays(day: Day, days: number): Day {
  const most = Math.max(-MOST_DAYS, Math.min(MOST_DAYS, days))
  const next = Temporal.PlainDate.from(day).add({ days: most })
  if (Temporal.PlainDate.compare(next, FIRST) < 0) return FIRST.toString() as Day
  return (Temporal.PlainDate.compare(next, LAST) > 0 ? LAST : next).toString() as Day
}

/** How many days lie between two days; less than nothing when the first is later. */
export const daysBetween = (from: Day, to: Day): number =>
  Temporal.PlainDate.from(from).until(Temporal.PlainDate.from(to)).days

const EPOCH = '1970-01-01' as Day

/** A day as the number of days since the beginning of 1970, and back. */
export const dayNumber = (day: Day): number => daysBetween(EPOCH, day)
export const dayOfNumber = (number: number): Day => addDays(EPOCH, number)

/** The weekday of a day: 1 Monday to 7 Sunday. */
export const weekdayOf = (day: Day): number => Temporal.PlainDate.from(day).dayOfWeek

/** The month of a day, `YYYY-MM`. */
export const monthOfDay = (day: Day): string => day.slice(0, 7)

/** The first day of a month, `YYYY-MM`. */
export const firstOfMonth = (month: string): Day => `${month}-01` as Day

/** All days of a month, `YYYY-MM`. */
export function daysOfMonth(month: string): Day[] {
  const first = firstOfMonth(month)
  return Array.from({ length: Temporal.PlainDate.from(first).daysInMonth }, (_, i) => addDays(first, i))
}

/** The day that a text begins with: of a day the day itself, of a moment the day in its own words; null for others. */
export function dayAtStart(text: string): Day | null {
  const day = text.slice(0, 10)
  return isDay(day) ? day : null
}
