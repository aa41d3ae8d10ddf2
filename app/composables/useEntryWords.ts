import type { EntryRow } from '#shared/api/types'

const DAY = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric' })
const CLOCK = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit', hourCycle: 'h23' })

/** When something was done: today by the clock, before that by the day; nothing where it is not known. */
export function whenDone(at: number, now = Date.now()): string {
  if (at === 0) return ''
  return DAY.format(at) === DAY.format(now) ? CLOCK.format(at) : DAY.format(at)
}

/** A moment of the site's clocks in words: 29 Mar 2026, 14:00. */
export function momentWords(moment: string): string {
  const [day, time] = moment.split('T')
  const words = DAY.format(new Date(`${day}T12:00`))
  return time === '00:00' ? words : `${words}, ${time}`
}

/** How an entry stands, in words: what visitors see of it, now and later. */
export function stateWords({
  published,
  from,
  until,
  address,
}: Pick<EntryRow, 'published' | 'from' | 'until' | 'address'>): string {
  if (!published) return 'not published'
  if (address === null && from) return `from ${momentWords(from)}`
  if (address === null && until) return `was out until ${momentWords(until)}`
  return until ? `until ${momentWords(until)}` : 'published'
}

/** A number of bytes in words. */
export const sizeWords = (bytes: number): string =>
  bytes < 1000 ? `${bytes} bytes` : bytes < 1e6 ? `${Math.round(bytes / 1000)} KB` : `${(bytes / 1e6).toFixed(1)} MB`
