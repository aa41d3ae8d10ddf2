import type { Catalogue } from '../catalogue'
import type { Entry } from '../model'
import { addDays, momentIn, type Day, type Moment, isDay } from '../time'

/** When an entry was made public and when it changed last, as feeds, calendars and lists of pages tell it. */
export interface FeedTimes {
  /** Milliseconds since 1970; null where nothing tells it. */
  published: number | null
  updated: number | null
}

/** When a day begins on the clocks of the site. */
export const startOfDay = (day: Day, timeZone: string): Moment => momentIn(day, timeZone)!

/**
 * An entry is public from the day that it bears, at the moment at which it was published where that is on this day; one
 * without a day, or with one that had not come yet, from the moment at which it was published. Nothing is told that has
 * not happened: `changed` and `out` are moments that have been, and so is `from`, for an entry that is out.
 */
export function toldTimes(entry: Entry, catalogue: Catalogue): FeedTimes {
  const { timeZone } = catalogue.site.settings
  const { changed, out } = catalogue.timesOf(entry.id)
  const from = entry.from ? momentIn(entry.from, timeZone) : null
  const made = Math.max(out, from ?? 0)
  const { date } = entry
  const begins = isDay(date) ? startOfDay(date, timeZone) : null
  const ends = isDay(date) ? startOfDay(addDays(date, 1), timeZone) : null
  const hasCome = date !== null && date <= catalogue.today
  let published: number | null
  if (begins === null || !hasCome) published = made || changed || null
  else published = made > begins && made < ends! ? made : begins
  const updated = Math.max(published ?? 0, changed)
  return { published, updated: updated || null }
}
