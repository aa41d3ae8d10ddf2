import { isDay } from './days'
import { isMoment } from './moments'

/** Days and moments as people write them, read in one way. */

/** What comes first where a day and a month are both numbers. */
export type DayOrder = 'day-first' | 'month-first'

/** In which order a language writes them. */
export function dayOrderOf(locale: string): DayOrder {
  try {
    const parts = new Intl.DateTimeFormat(locale, { dateStyle: 'short', timeZone: 'UTC' }).formatToParts(0)
    const first = parts.find((p) => p.type === 'day' || p.type === 'month')
    return first?.type === 'month' ? 'month-first' : 'day-first'
  } catch (error) {
    if (error instanceof RangeError) return 'day-first'
    throw error
  }
}

/** The languages that are offered where a site is founded. */
export const LANGUAGES: readonly string[] = 'en de fr es it nl pt pl sv da nb fi cs el tr ja'.split(' ')

/** A word as it is looked up: small, without accents and points. */
const folded = (word: string): string =>
  word
    .normalize('NFD')
    .replace(/[\u0300-\u036f.]/g, '')
    .toLowerCase()

let months: Map<string, number> | null = null

/** The month that a word names in any of the languages, from 1; null for none. */
function monthNamed(word: string): number | null {
  if (!months) {
    months = new Map()
    for (const language of LANGUAGES)
      for (const month of ['long', 'short'] as const)
        for (let m = 0; m < 12; m++) {
          const at = Date.UTC(2024, m, 15)
          const alone = new Intl.DateTimeFormat(language, { month, timeZone: 'UTC' }).format(at)
          const within = new Intl.DateTimeFormat(language, { month, day: 'numeric', timeZone: 'UTC' })
            .formatToParts(at)
            .find((p) => p.type === 'month')!.value
          for (const name of [alone, within]) if (/\p{L}{3}/u.test(name)) months.set(folded(name), m + 1)
        }
    months.set('sept', 9)
  }
  const plain = folded(word)
  const known = months.get(plain)
  if (known !== undefined) return known
  if (plain.length < 3) return null
  const found = new Set([...months].flatMap(([name, m]) => (name.startsWith(plain) ? m : [])))
  return found.size === 1 ? [...found][0]! : null
}

const two = (n: number | string): string => String(n).padStart(2, '0')

function dayIf(year: string, month: number | string | null, day: string): string | null {
  const text = `${year}-${two(month ?? 0)}-${two(day)}`
  return isDay(text) ? text : null
}

const NUMBERS = /^(\d{1,2})([-/.])\s?(\d{1,2})[-/.]\s?(\d{4})/

/** The two numbers of a day that is written with a slash or a hyphen; null for any other, and for one with a point. */
export function dayNumbers(words: string): [first: number, second: number] | null {
  const found = NUMBERS.exec(words.trim())
  return found && found[2] !== '.' ? [Number(found[1]), Number(found[3])] : null
}

/** Whether a day reads as another one where the other number is the month. */
export function isDayReadTwoWays(words: string): boolean {
  const numbers = dayNumbers(words)
  return numbers !== null && numbers[0] <= 12 && numbers[1] <= 12 && numbers[0] !== numbers[1]
}

interface Found {
  day: string | null
  /** What stands behind it. */
  rest: string
}

function dayAtStart(words: string, order: DayOrder): Found | null {
  const iso = /^(\d{4})[-/.](\d{1,2})[-/.](\d{1,2})(?!\d)/.exec(words)
  if (iso) return { day: dayIf(iso[1]!, iso[2]!, iso[3]!), rest: words.slice(iso[0].length) }
  const asian = /^(\d{4})\s?年\s?(\d{1,2})\s?月\s?(\d{1,2})\s?日/.exec(words)
  if (asian) return { day: dayIf(asian[1]!, asian[2]!, asian[3]!), rest: words.slice(asian[0].length) }
  const parts = NUMBERS.exec(words)
  if (parts) {
    const [whole, a, mark, b, year] = parts
    const monthFirst = mark !== '.' && (Number(b) > 12 || (order === 'month-first' && Number(a) <= 12))
    return { day: monthFirst ? dayIf(year!, a!, b!) : dayIf(year!, b!, a!), rest: words.slice(whole.length) }
  }
  const weekday = /^\p{L}{2,12}[.,]*\s+(?=\d|\p{L})/u.exec(words)
  return namedAtStart(words) ?? (weekday ? namedAtStart(words.slice(weekday[0].length)) : null)
}

/** A day with its month by name: 29 March 2026, 29. März 2026, 29 de marzo de 2026, March 29, 2026. */
function namedAtStart(words: string): Found | null {
  const dayFirst =
    /^(\d{1,2})(?:st|nd|rd|th|er|º|ª)?\.?\s+(?:de\s+)?(\p{L}[\p{L}\p{M}]{2,14})\.?,?\s+(?:de\s+)?(\d{4})(?!\d)/iu.exec(
      words,
    )
  if (dayFirst) {
    const [whole, day, name, year] = dayFirst
    return { day: dayIf(year!, monthNamed(name!), day!), rest: words.slice(whole.length) }
  }
  const monthFirst = /^(\p{L}[\p{L}\p{M}]{2,14})\.?\s+(\d{1,2})(?:st|nd|rd|th)?,?\s+(\d{4})(?!\d)/iu.exec(words)
  if (!monthFirst) return null
  const [whole, name, day, year] = monthFirst
  return { day: dayIf(year!, monthNamed(name!), day!), rest: words.slice(whole.length) }
}

const TIME =
  /^(\d{1,2})(?:[:.h](\d{2})(?:[:.](\d{2})(?:[.,]\d{1,9})?)?|(?=\s?[ap]\.?m))\s?(?:([ap])\.?m\.?)?\s?(?:uhr|h|hrs|klo|o'clock)?\s?(z|utc|gmt|[-+]\d{2}:?\d{2})?$/i

/** The time of day that some words name, with its zone where they say one; null for none. */
function timeNamed(words: string): { time: string; zone: string } | null {
  const [whole, hours, minutes = '00', seconds, half, zone = ''] = TIME.exec(words) ?? []
  if (whole === undefined) return null
  if (half && (Number(hours) > 12 || Number(hours) === 0)) return null
  const hour = half ? (Number(hours) % 12) + (half.toLowerCase() === 'p' ? 12 : 0) : Number(hours)
  if (hour > 23 || Number(minutes) > 59 || Number(seconds ?? 0) > 59) return null
  const plainZone = /^(z|utc|gmt)$/i.test(zone) ? 'Z' : zone
  return { time: `${two(hour)}:${minutes}${plainZone && seconds ? `:${seconds}` : ''}`, zone: plainZone }
}

/** What stands between a day and its time. */
const between = (rest: string): string =>
  rest.replace(/^[\s,]*(?:t(?=\d)|um\s|at\s|à\s|alle\s|a las\s|om\s|kl\.?\s|klo\s)?/i, '').trim()

/** The day that some words name, with or without a time that is one; null for none. */
export function dayNamed(words: string, order: DayOrder = 'day-first'): string | null {
  const found = dayAtStart(words.trim(), order)
  if (!found?.day) return null
  const rest = between(found.rest)
  return rest === '' || timeNamed(rest) !== null || isMoment(words.trim()) ? found.day : null
}

/** The moment that some words name; its day begins it where they say no time. Null for none. */
export function momentNamed(words: string, order: DayOrder = 'day-first'): string | null {
  const plain = words.trim().replace(/^(\d{4}-\d{2}-\d{2}) (?=\d)/, '$1T')
  if (isMoment(plain)) return plain
  const found = dayAtStart(words.trim(), order)
  if (!found?.day) return null
  const rest = between(found.rest)
  const time = rest === '' ? { time: '00:00', zone: '' } : timeNamed(rest)
  const moment = time && `${found.day}T${time.time}${time.zone}`
  return moment && isMoment(moment) ? moment : null
}
