import { type Format, READINGS, type Reading, type ValueFormats } from '../fields'
import { minorOf, writeMoney } from '../selling'
import { type Catalogue, directoryOf } from '../catalogue'
import type { SiteSettings } from '../model'
import { dayOf, momentIn, type Day, type DateOptions, DateWriter, DistanceWriter, addDays } from '../time'

const DATE: Record<Exclude<NonNullable<Format['date']>, 'away'>, DateOptions> = {
  full: { dateStyle: 'full' },
  long: { dateStyle: 'long' },
  medium: { dateStyle: 'medium' },
  short: { dateStyle: 'short' },
  year: { year: 'numeric' },
  month: { month: 'long', year: 'numeric' },
  time: { hour: '2-digit', minute: '2-digit' },
}

/** Names of weekdays are written for the week that begins on it. */
const SOME_MONDAY = '2024-01-01' as Day

const MOMENT = { dateStyle: 'long', timeStyle: 'short' } as const satisfies DateOptions

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
export class Formats implements ValueFormats {
  private readonly writers = new WeakMap<Format, Map<string, Writer<never>>>()

  private lists: Intl.ListFormat | null = null
  private times: DateWriter | null = null
  private readonly days = new Map<'long' | 'short', string[]>()
  private far: DistanceWriter | null = null
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
      const dates = new DateWriter(this.settings.locale, DATE[date])
      return new Writer((text) => {
        const day = dayOf(text, this.settings.timeZone)
        return day === null ? text : dates.day(day)
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
      const days = new DateWriter(this.settings.locale, { weekday })
      names = Array.from({ length: 7 }, (_, i) => days.day(addDays(SOME_MONDAY, i)))
      this.days.set(weekday, names)
    }
    return names
  }

  /** A time of day (`HH:MM`) as it is written here: 14:00, 2:00 pm. */
  time(text: string): string {
    this.times ??= new DateWriter(this.settings.locale, { timeStyle: 'short' })
    return this.times.time(text)
  }

  /** A moment as the site's clocks show it; one without a zone is theirs (`docs/comparing.md`). With no `format.date`: a long date with its time. */
  moment(text: string, format: Format): string {
    return this.writer<string>(format, 'moment', () => {
      const options = format.date && format.date !== 'away' ? DATE[format.date] : MOMENT
      const moments = new DateWriter(this.settings.locale, options, this.settings.timeZone)
      return new Writer((text) => {
        const at = momentIn(text, this.settings.timeZone)
        return at === null ? text : moments.moment(at)
      })
    }).text(text)
  }

  /** From one day or moment to another, with what they share written once; null where the second is none or earlier. */
  range(hasTime: boolean, from: string, until: string, format: Format): string | null {
    const timeZone = hasTime ? this.settings.timeZone : 'UTC'
    const moment = (text: string) => momentIn(hasTime ? text : (dayOf(text, this.settings.timeZone) ?? ''), timeZone)
    const [begins, ends] = [moment(from), moment(until)]
    if (begins === null || ends === null || ends <= begins) return null
    return this.writer<string>(format, hasTime ? 'moment until' : 'date until', () => {
      const asked = format.date && format.date !== 'away' ? DATE[format.date] : null
      const usual = hasTime ? MOMENT : DATE.long
      const moments = new DateWriter(this.settings.locale, asked ?? usual, timeZone)
      return new Writer((both) => {
        const [one, other] = both.split(' ').map(Number) as [number, number]
        return moments.range(one, other)
      })
    }).text(`${begins} ${ends}`)
  }

  /** How far a day is from another, in the unit in which people would say it. */
  away(day: Day, from: Day): string {
    this.far ??= new DistanceWriter(this.settings.locale)
    return this.far.days(from, day)
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

/** A reading as plain text, not yet escaped; empty for kinds that cannot be written as text. */
export const writeReading = (reading: Reading, format: Format, formats: Formats, catalogue: Catalogue): string =>
  READINGS[reading.kind].write(reading, format, formats, directoryOf(catalogue))
