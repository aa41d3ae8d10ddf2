import { clockIn, momentIn, type DateOptions, DateWriter, todayIn, zoneHere } from '#core/time'
import { useSite } from '~/stores/site'

const STYLES = {
  /** 1 Dec 2026, 14:05 */
  moment: { dateStyle: 'medium', timeStyle: 'short' },
  /** 1 December 2026 at 14:05 */
  longMoment: { dateStyle: 'long', timeStyle: 'short' },
  /** 1 Dec, 14:05 */
  lately: { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' },
  /** 1 Dec 2026 */
  day: { dateStyle: 'medium' },
  /** Tuesday, 1 December 2026 */
  fullDay: { dateStyle: 'full' },
  /** Tuesday, 1 December */
  weekday: { weekday: 'long', day: 'numeric', month: 'long' },
  /** 1 Dec */
  shortDay: { day: 'numeric', month: 'short' },
  /** 14:05 */
  clock: { hour: '2-digit', minute: '2-digit' },
} as const satisfies Record<string, DateOptions>
type TimeStyle = keyof typeof STYLES

const WRITERS = new Map<string, DateWriter>()

/** Formats are slow to make and few: one for each style and zone, in the language of whoever works here. */
function writerOf(style: TimeStyle, timeZone: string): DateWriter {
  const key = `${style} ${timeZone}`
  let writer = WRITERS.get(key)
  if (!writer) WRITERS.set(key, (writer = new DateWriter(undefined, STYLES[style], timeZone)))
  return writer
}

/** Times in the studio: in the person's own language, on the clocks of the site. */
export function useTimes() {
  const site = useSite()
  const zone = () => site.site?.settings.timeZone
  const zoneName = computed(() => zone() ?? zoneHere())
  return {
    /** Milliseconds since 1970, in a style. */
    write: (at: number, style: TimeStyle = 'moment') => writerOf(style, zoneName.value).moment(at),
    /** A day (`YYYY-MM-DD`), or a moment on the clocks of the site (`YYYY-MM-DDTHH:MM`). */
    named: (on: string, style: TimeStyle = on.length > 10 ? 'moment' : 'day') =>
      writerOf(style, 'UTC').moment(momentIn(on, 'UTC') ?? Date.now()),
    /** What a stored moment is to an input of day and time; empty for what is none. */
    input(moment: unknown): string {
      const at = typeof moment === 'string' ? momentIn(moment, zoneName.value) : null
      return at === null ? '' : clockIn(zoneName.value, at)
    },
    today: () => todayIn(zoneName.value, Date.now()),
  }
}
