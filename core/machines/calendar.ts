import { type Formats, sceneOf } from '../drawing'
import { type Catalogue, entryName } from '../catalogue'
import type { Entry } from '../model'
import { addDays, isDay, momentIn, type Moment, secondText } from '../time'
import { startField } from './starts'
import { toldReading, toldText } from './told'
import { toldTimes } from './times'

/** Dates that matter as iCalendar (RFC 5545). */

/** Texts as values (§3.3.11); what is no character of a line is left out. */
const text = (value: string): string =>
  value
    // eslint-disable-next-line no-control-regex
    .replace(/[\u0000-\u0008\u000b-\u001f\u007f]/g, '')
    .replace(/[\\;,]/g, (c) => `\\${c}`)
    .replace(/\n/g, '\\n')

const MOST_OCTETS = 75

/** How long a character is in UTF-8 (RFC 3629). */
function octetsOf(character: string): number {
  const code = character.codePointAt(0)!
  return code < 0x80 ? 1 : code < 0x800 ? 2 : code < 0x10000 ? 3 : 4
}

/** A line of the file, folded so that none has more than 75 octets (§3.1); no character is cut. */
function line(name: string, value: string): string {
  const lines: string[] = []
  let current = ''
  let octets = 0
  for (const character of `${name}:${value}`) {
    const size = octetsOf(character)
    if (octets + size > MOST_OCTETS) {
      lines.push(current)
      current = ' '
      octets = 1
    }
    current += character
    octets += size
  }
  return [...lines, current].join('\r\n')
}

const stamp = (at: Moment): string => secondText(at).replace(/[-:]/g, '')

const DATE = ';VALUE=DATE'
const dayStamp = (day: string): string => day.replaceAll('-', '')

/**
 * When something takes place, as lines: moments as such, days as days. An end is told where it comes after the start
 * (§3.6.1); of days it is the one behind the last (§3.8.2.2). Null where it does not begin.
 */
function spanOf(starts: unknown, ends: unknown, timeZone: string): { lines: string[]; at: number } | null {
  if (isDay(starts)) {
    const last = isDay(ends) && ends >= starts ? ends : starts
    const lines = [line(`DTSTART${DATE}`, dayStamp(starts)), line(`DTEND${DATE}`, dayStamp(addDays(last, 1)))]
    return { lines, at: momentIn(starts, 'UTC')! }
  }
  const at = typeof starts === 'string' ? momentIn(starts, timeZone) : null
  if (at === null || Number.isNaN(at)) return null
  // What ends on a day ends with it.
  const end = isDay(ends) ? momentIn(addDays(ends, 1), timeZone) : momentIn(String(ends ?? ''), timeZone)
  return { lines: [line('DTSTART', stamp(at)), ...(end !== null && end > at ? [line('DTEND', stamp(end))] : [])], at }
}

/** An entry as an event; null where it does not say when it takes place. */
function eventOf(entry: Entry, catalogue: Catalogue, formats: Formats): string[] | null {
  const { origin, timeZone } = catalogue.site.settings
  const type = catalogue.types.get(entry.type)
  const page = catalogue.page(`entry:${entry.id}`)
  const scene = page && sceneOf(catalogue, formats, page)
  const field = startField(type)
  const ends = scene ? toldReading('ends', scene)?.value : undefined
  const span = spanOf(field === null ? undefined : entry.fields[field], ends, timeZone)
  if (!span) return null
  const address = catalogue.addressOf(entry.id)
  const host = /^https?:\/\/([^/]+)/.exec(origin)?.[1] ?? 'localhost'
  const place = scene ? toldText('place', scene) : ''
  const { published, updated } = toldTimes(entry, catalogue)
  return [
    'BEGIN:VEVENT',
    line('UID', text(`${entry.id}@${host}`)),
    // By these, programs tell that what they have is another state of it (§3.8.7.2, §3.8.7.4).
    line('DTSTAMP', stamp(updated ?? span.at)),
    line('SEQUENCE', String(catalogue.timesOf(entry.id).revision - 1)),
    ...(published === null ? [] : [line('CREATED', stamp(published))]),
    ...(updated === null ? [] : [line('LAST-MODIFIED', stamp(updated))]),
    ...span.lines,
    line('SUMMARY', text(entryName(entry, type))),
    ...(entry.summary ? [line('DESCRIPTION', text(entry.summary))] : []),
    ...(place ? [line('LOCATION', text(place))] : []),
    ...(address ? [line('URL', origin + encodeURI(address))] : []),
    'END:VEVENT',
  ]
}

/** Entries that take place at a moment, as one calendar; null where none does. */
export function calendarOf(catalogue: Catalogue, entries: readonly Entry[], formats: Formats): string | null {
  const events = entries.flatMap((entry) => eventOf(entry, catalogue, formats) ?? [])
  if (events.length === 0) return null
  const { name } = catalogue.site.settings
  const head = ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//Outer Frame//Site//EN', line('X-WR-CALNAME', text(name))]
  return [...head, ...events, 'END:VCALENDAR', ''].join('\r\n')
}
