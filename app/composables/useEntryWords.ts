import { dayAtStart } from '#core/time'
import type { EntryRow } from '#shared/api/types'

/** What is said of entries and images beside their names. */
export function useEntryWords() {
  const times = useTimes()

  /** When something was done: today by the clock, before that by the day; nothing where it is not known. */
  function whenDone(at: number): string {
    if (at === 0) return ''
    const day = times.write(at, 'day')
    return day === times.write(Date.now(), 'day') ? times.write(at, 'clock') : day
  }

  /** A stored moment in words: 29 Mar 2026, 14:00; one at midnight by its day. */
  function momentWords(moment: string): string {
    const clock = times.input(moment)
    return times.named(clock.endsWith('T00:00') ? (dayAtStart(clock) ?? clock) : clock)
  }

  /** How an entry stands, in words: what visitors see of it, now and later. */
  function stateWords(entry: Pick<EntryRow, 'published' | 'from' | 'until' | 'address'>): string {
    const { published, from, until, address } = entry
    if (!published) return 'not published'
    if (address === null && from) return `from ${momentWords(from)}`
    if (address === null && until) return `was out until ${momentWords(until)}`
    return until ? `until ${momentWords(until)}` : 'published'
  }

  return { whenDone, stateWords }
}

/** A number of bytes in words. */
export const sizeWords = (bytes: number): string =>
  bytes < 1000 ? `${bytes} bytes` : bytes < 1e6 ? `${Math.round(bytes / 1000)} KB` : `${(bytes / 1e6).toFixed(1)} MB`
