import type { Format } from '../layouts/types'
import { type Catalogue, type Reading, type SiteSettings, nameOf } from '../site'

const DATE: Record<NonNullable<Format['date']>, Intl.DateTimeFormatOptions> = {
  full: { dateStyle: 'full' },
  long: { dateStyle: 'long' },
  medium: { dateStyle: 'medium' },
  short: { dateStyle: 'short' },
  year: { year: 'numeric' },
  month: { month: 'long', year: 'numeric' },
  time: { hour: '2-digit', minute: '2-digit' },
}

/** Writes values out in the site's locale, currency and time zone. Intl objects are made once and kept. */
export class Formats {
  private readonly dates = new Map<string, Intl.DateTimeFormat>()
  private readonly numbers = new Map<string, Intl.NumberFormat>()
  private readonly lists = new Map<string, Intl.ListFormat>()

  constructor(private readonly settings: Pick<SiteSettings, 'locale' | 'currency' | 'timeZone'>) {}

  /** `YYYY-MM-DD` as a date; a text that is no date stays as it is. */
  date(text: string, format: Format): string {
    return this.moment(text.slice(0, 10) + 'T00:00:00Z', format, text, 'UTC')
  }

  /** An ISO 8601 moment in the site's time zone. With no `format.date`: a long date with its time. */
  moment(text: string, format: Format, otherwise = text, timeZone = this.settings.timeZone): string {
    const at = new Date(text)
    if (Number.isNaN(at.getTime())) return otherwise
    const key = `${format.date ?? ''} ${timeZone}`
    let intl = this.dates.get(key)
    if (!intl) {
      const plain = timeZone === 'UTC' ? DATE.long : { dateStyle: 'long' as const, timeStyle: 'short' as const }
      intl = new Intl.DateTimeFormat(this.settings.locale, { ...(format.date ? DATE[format.date] : plain), timeZone })
      this.dates.set(key, intl)
    }
    return intl.format(at)
  }

  number(value: number, format: Format, unit?: string): string {
    const shown = unit && format.unit !== 'hidden' ? unit : undefined
    return this.numberFormat(`${format.digits ?? ''} ${shown ?? ''} ${format.unit ?? ''}`, () => ({
      ...(format.digits !== undefined && {
        minimumFractionDigits: format.digits,
        maximumFractionDigits: format.digits,
      }),
      ...(shown && { style: 'unit', unit: shown, unitDisplay: format.unit === 'long' ? 'long' : 'short' }),
    })).format(value)
  }

  money(value: number, format: Format): string {
    const digits = format.digits ?? (Number.isInteger(value) ? 0 : 2)
    return this.numberFormat(`money ${digits}`, () => ({
      style: 'currency',
      currency: this.settings.currency,
      minimumFractionDigits: digits,
      maximumFractionDigits: digits,
    })).format(value)
  }

  list(items: string[], format: Format): string {
    if (format.list === 'comma') return items.join(', ')
    let intl = this.lists.get('and')
    if (!intl) this.lists.set('and', (intl = new Intl.ListFormat(this.settings.locale, { type: 'conjunction' })))
    return intl.format(items)
  }

  private numberFormat(key: string, options: () => Intl.NumberFormatOptions): Intl.NumberFormat {
    let intl = this.numbers.get(key)
    if (!intl) this.numbers.set(key, (intl = new Intl.NumberFormat(this.settings.locale, options())))
    return intl
  }
}

type Write = (reading: Reading, format: Format, formats: Formats, catalogue: Catalogue) => string

const choiceLabel = ({ field }: Reading, id: unknown): string =>
  field?.choices?.find((c) => c.id === id)?.label ?? String(id)

const asArray = (value: unknown): unknown[] => (Array.isArray(value) ? value : [value])

/** How each kind of field is written as plain text. Kinds that are not text (pictures, rich text) give none. */
const WRITE: Partial<Record<Reading['kind'], Write>> = {
  text: ({ value }) => String(value),
  link: ({ value }) => String(value),
  number: ({ value, field }, format, formats) => formats.number(Number(value), format, field?.unit),
  money: ({ value }, format, formats) => formats.money(Number(value), format),
  date: ({ value }, format, formats) => formats.date(String(value), format),
  moment: ({ value }, format, formats) => formats.moment(String(value), format),
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
