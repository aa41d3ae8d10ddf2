import { BY_DAY, clockIn, type Day, type LocalTime, dayOfClock, momentIn, weekdayOf } from '../time'
import type { Scene } from './scene'

/** Under which key it is noted that something holds until a moment (`YYYY-MM-DDTHH:MM`). */
const untilKey = (moment: string): string => `until ${moment}`

/** What the clocks of the site show. */
export interface Now {
  /** `YYYY-MM-DD`. */
  day: Day
  /** `HH:MM`. */
  time: string
  /** 0 for Monday. */
  weekday: number
}

/** What the clocks of the site show, for what is drawn from the day: what is kept of the page goes when that is over. */
export function nowIn({ catalogue, request }: Scene): Now {
  catalogue.seeToday()
  const clock = clockIn(catalogue.site.settings.timeZone, request.at)
  const day = dayOfClock(clock)
  return { day, time: clock.slice(11), weekday: weekdayOf(day) - 1 }
}

/** Says that what is drawn holds until a moment of the site's clocks: what is kept of the page goes then. */
export function holdsUntil({ catalogue }: Scene, moment: string): void {
  catalogue.seeAll([untilKey(moment)])
}

const MINUTE = 60_000
const MOST_MINUTES = 24 * 60

/** What was drawn from the time and holds no longer, by keys, when the clocks of the site have gone on from one moment to another. */
export function timeGone(from: LocalTime | null, to: LocalTime): string[] {
  if (from === null) return [BY_DAY]
  const [start, end] = [from, to].map((clock) => momentIn(clock, 'UTC') ?? NaN) as [number, number]
  const minutes = (end - start) / MINUTE
  const gone = dayOfClock(from) === dayOfClock(to) ? [] : [BY_DAY]
  if (!(minutes >= 1 && minutes <= MOST_MINUTES)) return gone
  const clocks = Array.from({ length: minutes }, (_, i) => clockIn('UTC', start + (i + 1) * MINUTE))
  return [...gone, ...clocks.map(untilKey)]
}
