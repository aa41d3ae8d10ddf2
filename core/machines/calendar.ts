import { type Catalogue, type Entry, type PageType, entryName, isDay, momentIn } from '../site'

/** Dates that matter as iCalendar (RFC 5545). */

/** The field that says when an entry takes place: its type's first with a moment. */
export const momentField = (type: PageType | undefined): string | null =>
  type?.fields.find((f) => f.kind === 'moment')?.id ?? null

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

const stamp = (at: number): string => new Date(at).toISOString().replace(/[-:]|\.\d{3}/g, '')

/** An entry as an event; null where it does not say when it takes place. */
function eventOf(entry: Entry, catalogue: Catalogue): string[] | null {
  const { origin, timeZone } = catalogue.site.settings
  const field = momentField(catalogue.types.get(entry.type))
  const value = field === null ? undefined : entry.fields[field]
  if (typeof value !== 'string') return null
  const at = momentIn(value, timeZone)
  if (at === null || Number.isNaN(at)) return null
  const address = catalogue.addressOf(entry.id)
  const host = /^https?:\/\/([^/]+)/.exec(origin)?.[1] ?? 'localhost'
  const places = entry.terms.flatMap((id) => catalogue.terms.get(id)?.title ?? [])
  return [
    'BEGIN:VEVENT',
    line('UID', text(`${entry.id}@${host}`)),
    // Nothing tells when it was stored; what has no other state is of the day that it is about.
    line('DTSTAMP', stamp(entry.date && isDay(entry.date) ? Date.parse(entry.date) : at)),
    line('DTSTART', stamp(at)),
    line('SUMMARY', text(entryName(entry, catalogue.types.get(entry.type)))),
    ...(entry.summary ? [line('DESCRIPTION', text(entry.summary))] : []),
    ...(places.length > 0 ? [line('LOCATION', text(places.join(', ')))] : []),
    ...(address ? [line('URL', origin + encodeURI(address))] : []),
    'END:VEVENT',
  ]
}

/** Entries that take place at a moment, as one calendar; null where none does. */
export function calendarOf(catalogue: Catalogue, entries: readonly Entry[]): string | null {
  const events = entries.flatMap((entry) => eventOf(entry, catalogue) ?? [])
  if (events.length === 0) return null
  const { name } = catalogue.site.settings
  const head = ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//Outer Frame//Site//EN', line('X-WR-CALNAME', text(name))]
  return [...head, ...events, 'END:VCALENDAR', ''].join('\r\n')
}
