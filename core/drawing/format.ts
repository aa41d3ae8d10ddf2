import type { Format } from '../tree'
import { minorOf, writeMoney } from '../shop'
import { type Catalogue, type Reading, nameOf } from '../catalogue'
import { type SiteSettings, firstSentence, firstWords, isRichDoc, richText } from '../model'
import { dayOf, daysBetween, momentIn } from '../time'

const DATE: Record<Exclude<NonNullable<Format['date']>, 'away'>, Intl.DateTimeFormatOptions> = {
  full: { dateStyle: 'full' },
  long: { dateStyle: 'long' },
  medium: { dateStyle: 'medium' },
  short: { dateStyle: 'short' },
  year: { year: 'numeric' },
  month: { month: 'long', year: 'numeric' },
  time: { hour: '2-digit', minute: '2-digit' },
}

const MOMENT = { dateStyle: 'long', timeStyle: 'short' } as const satisfies Intl.DateTimeFormatOptions

/** Up to how many days away something is told in which unit, and how many days that has. */
const AWAY: readonly [until: number, days: number, unit: Intl.RelativeTimeFormatUnit][] = [
  [14, 1, 'day'],
  [60, 7, 'week'],
  [730, 365.25 / 12, 'month'],
  [Infinity, 365.25, 'year'],
]

/** No wish about how a field is written; one object, so that what is kept for it is found again. */
export const AS_USUAL: Format = {}

/** How many written values are kept for each format before they are dropped and begun anew. */
const MOST_KEPT = 2000

/** Writes values of one kind in one format, and keeps what it has written: Intl is slow, and values recur. */
class Writer<V> {
  private readonly written = new Map<V | string, string>()

  constructor(
    private readonly write: (value: V) => string,
    private readonly keyOf?: (value: V) => string,
  ) {}

  text(value: V): string {
    const key = this.keyOf ? this.keyOf(value) : value
    let text = this.written.get(key)
    if (text === undefined) {
      if (this.written.size >= MOST_KEPT) this.written.clear()
      this.written.set(key, (text = this.write(value)))
    }
    return text
  }
}

/** Writes values out in the site's locale, currency and time zone. */
export class Formats {
  private readonly writers = new WeakMap<Format, Map<string, Writer<never>>>()

  private lists: Intl.ListFormat | null = null
  private times: Intl.DateTimeFormat | null = null
  private readonly days = new Map<'long' | 'short', string[]>()
  private far: Intl.RelativeTimeFormat | null = null
  private plurals: Intl.PluralRules | null = null

  constructor(private readonly settings: Pick<SiteSettings, 'locale' | 'currency' | 'timeZone'>) {}

  /** The writer of a kind for a format; made at the first use. Formats are told apart by identity. */
  private writer<V>(format: Format, kind: string, make: () => Writer<V>): Writer<V> {
    let kinds = this.writers.get(format)
    if (!kinds) this.writers.set(format, (kinds = new Map()))
    let writer = kinds.get(kind) as unknown as Writer<V> | undefined
    if (!writer) kinds.set(kind, (writer = make()) as unknown as Writer<never>)
    return writer
  }

  /** `YYYY-MM-DD` as a date; a text that is no date stays as it is. */
  date(text: string, format: Format): string {
    return this.writer<string>(format, 'date', () => {
      const date = format.date === 'away' ? 'long' : (format.date ?? 'long')
      const intl = new Intl.DateTimeFormat(this.settings.locale, { ...DATE[date], timeZone: 'UTC' })
      return new Writer((text) => {
        const day = dayOf(text, this.settings.timeZone)
        return day === null ? text : intl.format(momentIn(day, 'UTC')!)
      })
    }).text(text)
  }

  /** The days of the week, Monday first. */
  get weekdays(): readonly string[] {
    return this.namesOfDays('long')
  }

  /** The same as they are abbreviated in the language. */
  get shortWeekdays(): readonly string[] {
    return this.namesOfDays('short')
  }

  private namesOfDays(weekday: 'long' | 'short'): readonly string[] {
    let names = this.days.get(weekday)
    if (!names) {
      const intl = new Intl.DateTimeFormat(this.settings.locale, { weekday, timeZone: 'UTC' })
      // 1 January 2024 was a Monday.
      names = Array.from({ length: 7 }, (_, i) => intl.format(Date.UTC(2024, 0, 1 + i)))
      this.days.set(weekday, names)
    }
    return names
  }

  /** A time of day (`HH:MM`) as it is written here: 14:00, 2:00 pm. */
  time(text: string): string {
    this.times ??= new Intl.DateTimeFormat(this.settings.locale, { timeStyle: 'short', timeZone: 'UTC' })
    return this.times.format(Date.parse(`1970-01-01T${text}:00Z`))
  }

  /** A moment (rules: one without a zone is the site's) as the site's clocks show it. With no `format.date`: a long date with its time. */
  moment(text: string, format: Format): string {
    return this.writer<string>(format, 'moment', () => {
      const options = format.date && format.date !== 'away' ? DATE[format.date] : MOMENT
      const intl = new Intl.DateTimeFormat(this.settings.locale, { ...options, timeZone: this.settings.timeZone })
      return new Writer((text) => {
        const at = momentIn(text, this.settings.timeZone)
        return at === null ? text : intl.format(at)
      })
    }).text(text)
  }

  /** From one day or moment to another, with what they share written once; null where the second is none or earlier. */
  range(kind: Reading['kind'], from: string, until: string, format: Format): string | null {
    const timeZone = kind === 'date' ? 'UTC' : this.settings.timeZone
    const moment = (text: string) =>
      momentIn(kind === 'date' ? (dayOf(text, this.settings.timeZone) ?? '') : text, timeZone)
    const [begins, ends] = [moment(from), moment(until)]
    if (begins === null || ends === null || ends <= begins) return null
    return this.writer<string>(format, `${kind} until`, () => {
      const asked = format.date && format.date !== 'away' ? DATE[format.date] : null
      const usual = kind === 'date' ? DATE.long : MOMENT
      const intl = new Intl.DateTimeFormat(this.settings.locale, { ...(asked ?? usual), timeZone })
      return new Writer((both) => {
        const [one, other] = both.split(' ').map(Number) as [number, number]
        return intl.formatRange(one, other)
      })
    }).text(`${begins} ${ends}`)
  }

  /** How far a day is from another, in the unit in which people would say it. */
  away(day: string, from: string): string {
    const days = daysBetween(from, day)
    const [, most, unit] = AWAY.find(([until]) => Math.abs(days) < until)!
    this.far ??= new Intl.RelativeTimeFormat(this.settings.locale, { numeric: 'auto' })
    return this.far.format(Math.round(days / most), unit)
  }

  /** A number between the words that its plural form asks for; none has words of its own, where they are said. */
  counted(value: number, text: string, counted: NonNullable<Format['counted']>): string {
    this.plurals ??= new Intl.PluralRules(this.settings.locale)
    const said = (value === 0 ? counted.zero : undefined) ?? counted[this.plurals.select(value)] ?? counted.other
    return said === undefined ? text : said.replaceAll('#', () => text)
  }

  /** A number, with its unit (a CLDR name such as `centimeter`) unless the format hides it. */
  number(value: number, format: Format, unit = ''): string {
    return this.writer<number>(format, unit, () => {
      const shown = unit && format.unit !== 'hidden'
      const digits = format.digits !== undefined && {
        minimumFractionDigits: format.digits,
        maximumFractionDigits: format.digits,
      }
      const style = shown && {
        style: 'unit' as const,
        unit,
        unitDisplay: format.unit === 'long' ? ('long' as const) : ('short' as const),
      }
      const intl = new Intl.NumberFormat(this.settings.locale, { ...digits, ...style })
      return new Writer((number) => intl.format(number))
    }).text(value)
  }

  /** An amount of the site's currency, in major units, as money is written everywhere; rounded to what there is. */
  money(value: number, format: Format): string {
    const { currency, locale } = this.settings
    const minor = minorOf(Math.abs(value), currency)
    if (minor === null) return this.number(value, format)
    return writeMoney(value < 0 ? -minor : minor, currency, locale, format.digits)
  }

  /** A list with each of its items written by `write`, and what joins them by `join`. */
  listOf<T>(items: readonly T[], format: Format, write: (item: T) => string, join: (text: string) => string): string {
    if (format.list === 'comma') return items.map(write).join(join(', '))
    const intl = (this.lists ??= new Intl.ListFormat(this.settings.locale, { type: 'conjunction' }))
    let at = 0
    return intl
      .formatToParts(items.map(String))
      .map((part) => (part.type === 'element' ? write(items[at++]!) : join(part.value)))
      .join('')
  }

  list(items: string[], format: Format): string {
    if (format.list === 'comma') return items.join(', ')
    if (items.length < 2) return items[0] ?? ''
    return this.writer<string[]>(format, 'list', () => {
      const intl = new Intl.ListFormat(this.settings.locale, { type: 'conjunction' })
      return new Writer(
        (list) => intl.format(list),
        (list) => list.join('\n'),
      )
    }).text(items)
  }
}

type Write = (reading: Reading, format: Format, formats: Formats, catalogue: Catalogue) => string

const choiceLabel = ({ field }: Reading, id: unknown): string =>
  field?.choices?.find((c) => c.id === id)?.label ?? String(id)

const asArray = (value: unknown): unknown[] => (Array.isArray(value) ? value : [value])

const shortened = (text: string, { first }: Format): string =>
  first === undefined ? text : first === 'sentence' ? firstSentence(text) : firstWords(text, first)

/** From a day or a moment to another; null where that is not asked for, or is none. */
function ranged({ kind, value, until }: Reading, format: Format, formats: Formats): string | null {
  return until === undefined || format.date === 'away' ? null : formats.range(kind, String(value), until, format)
}

/** How far a day is from today; null where that is not asked for, or it is no day. */
function away({ value }: Reading, { date }: Format, formats: Formats, catalogue: Catalogue): string | null {
  const day = date === 'away' ? dayOf(String(value), catalogue.site.settings.timeZone) : null
  return day === null ? null : formats.away(day, catalogue.today)
}

/** How each kind of field is written as plain text. Kinds that are not text (pictures, rich text) give none. */
const WRITE: Partial<Record<Reading['kind'], Write>> = {
  text: ({ value }, format) => shortened(String(value), format),
  // Running text is drawn as a whole; as a line it is written only where no more than its beginning is asked for.
  rich: ({ value }, format) =>
    format.first !== undefined && isRichDoc(value) ? shortened(richText(value), format) : '',
  link: ({ value }) => String(value),
  number: ({ value, field }, format, formats) => {
    const text = formats.number(Number(value), format, field?.unit)
    return format.counted ? formats.counted(Number(value), text, format.counted) : text
  },
  money: ({ value }, format, formats) => formats.money(Number(value), format),
  date: (reading, format, formats, catalogue) =>
    away(reading, format, formats, catalogue) ??
    ranged(reading, format, formats) ??
    formats.date(String(reading.value), format),
  moment: (reading, format, formats, catalogue) =>
    away(reading, format, formats, catalogue) ??
    ranged(reading, format, formats) ??
    formats.moment(String(reading.value), format),
  'yes-no': ({ value }, format) => (value ? (format.yes ?? 'Yes') : (format.no ?? 'No')),
  choice: (reading) => choiceLabel(reading, reading.value),
  choices: (reading, format, formats) =>
    formats.list(
      asArray(reading.value).map((id) => choiceLabel(reading, id)),
      format,
    ),
  terms: ({ value }, format, formats, catalogue) =>
    formats.list(
      asArray(value).map((id) => catalogue.terms.get(String(id))?.title ?? ''),
      format,
    ),
  person: (reading, _format, _formats, catalogue) => nameOf(catalogue, reading),
  entry: (reading, _format, _formats, catalogue) => nameOf(catalogue, reading),
}

/** A reading as plain text, not yet escaped; empty for kinds that cannot be written as text. */
export function writeReading(reading: Reading, format: Format, formats: Formats, catalogue: Catalogue): string {
  return WRITE[reading.kind]?.(reading, format, formats, catalogue) ?? ''
}
