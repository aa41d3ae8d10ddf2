import { daysBetween } from './days'
import { momentIn } from './moments'
import type { Day, LocalTime, Moment } from './types'

/** How dates and times are written in a language. */

export type DateOptions = Omit<Intl.DateTimeFormatOptions, 'timeZone'>

/** Writes moments as the clocks of a time zone show them; days, months and times of day in no zone at all. */
export class DateWriter {
  private readonly intl: Intl.DateTimeFormat

  /** Without a locale, in the language of whoever looks at it. */
  constructor(locale: string | undefined, options: DateOptions, timeZone = 'UTC') {
    this.intl = new Intl.DateTimeFormat(locale, { ...options, timeZone })
  }

  moment(at: Moment): string {
    return this.intl.format(at)
  }

  /** From one moment to another, with what they share written once. */
  range(from: Moment, to: Moment): string {
    return this.intl.formatRange(from, to)
  }

  day(day: Day): string {
    return this.intl.format(momentIn(day, 'UTC')!)
  }

  /** What clocks show, `HH:MM`. */
  time(time: string): string {
    return this.intl.format(momentIn(`1970-01-01T${time}`, 'UTC')!)
  }

  clock(time: LocalTime): string {
    return this.intl.format(momentIn(time, 'UTC')!)
  }

  /** A month, `YYYY-MM`. */
  month(month: string): string {
    return this.intl.format(momentIn(`${month}-01`, 'UTC')!)
  }
}

/** Writes how far away something is, in a language: `in 3 days`, `yesterday`. */
export class DistanceWriter {
  private readonly intl: Intl.RelativeTimeFormat

  constructor(locale: string) {
    this.intl = new Intl.RelativeTimeFormat(locale, { numeric: 'auto' })
  }

  /** How far a day is from another, in the unit in which people would say it. */
  days(from: Day, to: Day): string {
    const days = daysBetween(from, to)
    const [, length, unit] = UNITS.find(([until]) => Math.abs(days) < until)!
    return this.intl.format(Math.round(days / length), unit)
  }
}

/** Up to how many days away something is told in which unit, and how many days that has. */
const UNITS: readonly [until: number, days: number, unit: Intl.RelativeTimeFormatUnit][] = [
  [14, 1, 'day'],
  [60, 7, 'week'],
  [730, 365.25 / 12, 'month'],
  [Infinity, 365.25, 'year'],
]
