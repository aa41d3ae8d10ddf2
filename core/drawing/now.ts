import { BY_DAY, clockIn } from '../time'
import type { Scene } from './scene'

/** Under which key it is noted that something holds until a moment (`YYYY-MM-DDTHH:MM`). */
const untilKey = (moment: string): string => `until ${moment}`

/** What the clocks of the site show. */
export interface Now {
  /** `YYYY-MM-DD`. */
  day: string
  /** `HH:MM`. */
  time: string
  /** 0 for Monday. */
  weekday: number
}

/** What the clocks of the site show, for what is drawn from the day: what is kept of the page goes when that is over. */
export function nowIn({ catalogue, request }: Scene): Now {
  catalogue.seeToday()
  const [day = '', time = ''] = clockIn(catalogue.site.settings.timeZone, request.at).split('T')
  return { day, time, weekday: weekdayOf(day) }
}

/** Says that what is drawn holds until a moment of the site's clocks: what is kept of the page goes then. */
export function holdsUntil({ catalogue }: Scene, moment: string): void {
  catalogue.seeAll([untilKey(moment)])
}

const MINUTE = 60_000
const MOST_MINUTES = 24 * 60

/** What was drawn from the time and holds no longer, by keys, when the clocks of the site have gone on from one moment to another. */
export function timeGone(from: string, to: string): string[] {
  const [start, end] = [from, to].map((moment) => Date.parse(`${moment}:00Z`)) as [number, number]
  const minutes = (end - start) / MINUTE
  const gone = from.slice(0, 10) === to.slice(0, 10) ? [] : [BY_DAY]
  if (!(minutes >= 1 && minutes <= MOST_MINUTES)) return gone
  const moments = Array.from({ length: minutes }, (_, i) => new Date(start + (i + 1) * MINUTE).toISOString())
  return [...gone, ...moments.map((iso) => untilKey(iso.slice(0, 16)))]
}

/** The day of the week of a day (`YYYY-MM-DD`): 0 for Monday. */
export const weekdayOf = (day: string): number => (new Date(`${day}T00:00:00Z`).getUTCDay() + 6) % 7
