import { type Day, type LocalTime, isDay, isMoment } from '#core/time'

/** Days and times of tests, read as what they are. */

export function day(text: string): Day {
  if (!isDay(text)) throw new Error(`${text} is no day`)
  return text
}

export function clock(text: string): LocalTime {
  if (!isMoment(text)) throw new Error(`${text} is no time`)
  return text as string as LocalTime
}
