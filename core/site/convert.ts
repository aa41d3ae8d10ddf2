import { refuse } from '../shape'
import { safeAddress } from './addresses'
import { isDay, isMoment } from './days'
import { isRichDoc, richText } from './rich'
import { FIELD_SHAPES } from './shapes'
import type { Field, FieldKind, Id, RichDoc } from './types'

/**
 * What a value comes to in a field of another kind: read so where the kind of a field was changed, and where words come
 * in from a file. Nothing that is stored is changed by it.
 */

/** What things are called, where words may name them. */
export interface Named {
  picture?(words: string): Id | undefined
  person?(words: string): Id | undefined
  entry?(words: string, type: Id | undefined): Id | undefined
}

type Convert = (value: unknown, field: Field, named: Named) => unknown

/** A value as words, as a person would write it. */
export function wordsOf(value: unknown, field?: Pick<Field, 'choices'>): string {
  if (value === true) return 'Yes'
  if (value === false) return 'No'
  if (typeof value === 'number') return String(value)
  if (typeof value === 'string') return field?.choices?.find((c) => c.id === value)?.label ?? value
  if (Array.isArray(value)) return value.map((v) => wordsOf(v, field)).join(', ')
  if (isRichDoc(value)) return richText(value)
  const { name, label, x, y } = (value ?? {}) as { name?: unknown; label?: unknown; x?: unknown; y?: unknown }
  if (typeof name === 'string') return name
  if (typeof label === 'string') return label
  return typeof x === 'number' && typeof y === 'number' ? `${x}, ${y}` : ''
}

const paragraphs = (words: string): RichDoc => ({
  type: 'doc',
  content: words
    .split(/\n\s*\n|\r?\n/)
    .filter((line) => line.trim())
    .map((text) => ({ type: 'paragraph', content: [{ type: 'text', text: text.trim() }] })),
})

const NUMBER = /[-−+]?\d[\d\s.,'’]*/

/** The number that stands in some words, however its thousands and decimals are told apart; null for none. */
export function numberIn(words: string): number | null {
  const found = NUMBER.exec(words.trim())?.[0]
    .replace(/[\s'’]/g, '')
    .replace('−', '-')
  if (found === undefined) return null
  // Whichever of the two comes last, once, tells decimals; three digits behind a comma are thousands.
  const last = Math.max(found.lastIndexOf('.'), found.lastIndexOf(','))
  const mark = found[last]
  const once = mark !== undefined && found.indexOf(mark) === last
  const decimal = once && !(mark === ',' && /,\d{3}$/.test(found) && !found.includes('.'))
  const plain = found.replace(/[.,]/g, (c, at: number) => (decimal && at === last ? '.' : ''))
  const number = Number(plain.replace(/\.$/, ''))
  return Number.isFinite(number) && Math.abs(number) <= 1e12 ? number : null
}

const MONTHS = 'january february march april may june july august september october november december'.split(' ')
const two = (n: number | string) => String(n).padStart(2, '0')

/** The day that some words name: 2026-03-29, 29.3.2026, 29 March 2026, March 29, 2026; null where it could be two. */
export function dayNamed(words: string): string | null {
  const plain = words.trim()
  const iso = /^(\d{4})[-/.](\d{1,2})[-/.](\d{1,2})/.exec(plain)
  if (iso) return dayIf(iso[1]!, iso[2]!, iso[3]!)
  const parts = /^(\d{1,2})([-/.])\s?(\d{1,2})[-/.]\s?(\d{4})/.exec(plain)
  if (parts) {
    const [, a, mark, b, year] = parts
    if (mark === '.' || Number(a) > 12) return dayIf(year!, b!, a!)
    return Number(b) > 12 || a === b ? dayIf(year!, a!, b!) : null
  }
  const named =
    /^(?:\w{3,9},?\s+)?(\d{1,2})(?:st|nd|rd|th)?\.?\s+([a-z]{3,9})\.?,?\s+(\d{4})/i.exec(plain) ??
    /^([a-z]{3,9})\.?\s+(\d{1,2})(?:st|nd|rd|th)?,?\s+(\d{4})/i.exec(plain)
  if (!named) return null
  const [month, day] = /\d/.test(named[1]!) ? [named[2]!, named[1]!] : [named[1]!, named[2]!]
  const at = MONTHS.findIndex((m) => m.startsWith(month.toLowerCase()))
  return at < 0 ? null : dayIf(named[3]!, String(at + 1), day)
}

function dayIf(year: string, month: string, day: string): string | null {
  const text = `${year}-${two(month)}-${two(day)}`
  return isDay(text) ? text : null
}

function momentNamed(words: string): string | null {
  const plain = words.trim().replace(/^(\d{4}-\d{2}-\d{2})\s+(\d)/, '$1T$2')
  if (isMoment(plain)) return plain
  const day = dayNamed(plain)
  if (day === null) return null
  const time = /(?:^|[\sT])(\d{1,2})[:.](\d{2})(?:[:.]\d{2})?\s*(am|pm)?\s*$/i.exec(plain)
  if (!time) return `${day}T00:00`
  const late = time[3]?.toLowerCase()
  const hour = (Number(time[1]) % (late ? 12 : 24)) + (late === 'pm' ? 12 : 0)
  const moment = `${day}T${two(hour)}:${time[2]}`
  return isMoment(moment) ? moment : null
}

const YES = /^(yes|y|true|1|on|x|✓)$/i
const NO = /^(no|n|false|0|off|-|)$/i

function choiceNamed(words: string, { choices = [] }: Field): Id | null {
  const plain = words.trim().toLowerCase()
  return choices.find((c) => c.id.toLowerCase() === plain || c.label.trim().toLowerCase() === plain)?.id ?? null
}

/** Several things named in one text, told apart by semicolons, bars, lines, or else commas. */
export function partsOf(words: string): string[] {
  const mark = /[;|\n]/.test(words) ? /[;|\n]/ : /,/
  return words
    .split(mark)
    .map((p) => p.trim())
    .filter(Boolean)
}

const firstOf = (value: unknown): unknown => (Array.isArray(value) ? value[0] : value)
const every = <T>(found: (T | null | undefined)[]): T[] | null =>
  found.length > 0 && found.every((f) => f !== null && f !== undefined) ? (found as T[]) : null
const listOf = (value: unknown): string[] =>
  Array.isArray(value) ? value.filter((v) => typeof v === 'string') : partsOf(wordsOf(value))

/** How a value of any kind comes to be one of each kind; null or undefined where it does not. */
const CONVERT: Readonly<Record<FieldKind, Convert>> = {
  text: (value, field) => wordsOf(value, field).replace(/\s+/g, ' ').trim().slice(0, 2000) || null,
  rich: (value, field) => (wordsOf(value, field).trim() ? paragraphs(wordsOf(value, field)) : null),
  number: (value) => numberIn(wordsOf(value)),
  money: (value) => numberIn(wordsOf(value)),
  date: (value) => dayNamed(wordsOf(value)),
  moment: (value) => momentNamed(wordsOf(value)),
  'yes-no': (value) => (YES.test(wordsOf(value).trim()) ? true : NO.test(wordsOf(value).trim()) ? false : null),
  choice: (value, field) => choiceNamed(wordsOf(firstOf(value)), field),
  choices: (value, field) => every(listOf(value).map((v) => choiceNamed(v, field))),
  picture: (value, _, { picture }) => picture?.(wordsOf(firstOf(value))),
  pictures: (value, _, { picture }) => every(listOf(value).map((v) => picture?.(v))),
  documents: (value) =>
    every(listOf(value).map((v) => (safeAddress(v) ? { name: v.split('/').pop() || v, address: v } : null))),
  offers: () => null,
  link: (value) => safeAddress(wordsOf(value)),
  position(value) {
    const [x, y] = wordsOf(value).split(/[,;\s]+/)
    const found = [x, y].map((n) => (n ? Number(n) : NaN))
    return found.every(Number.isFinite) ? { x: found[0], y: found[1] } : null
  },
  person: (value, _, { person }) => person?.(wordsOf(value)),
  entry: (value, { of }, { entry }) => entry?.(wordsOf(value), of),
}

/** Whether a field can hold a value as it is. */
export function isHeld(field: Field, value: unknown): boolean {
  if (refuse(FIELD_SHAPES[field.kind], value) !== null) return false
  const chosen = (id: unknown) => field.choices?.some((c) => c.id === id) ?? false
  if (field.kind === 'choice') return chosen(value)
  return field.kind !== 'choices' || (value as unknown[]).every(chosen)
}

/** A value as a field can hold it; null where it comes to nothing there. */
export function converted(field: Field, value: unknown, named: Named = {}): unknown {
  if (value === null || value === undefined || value === '') return null
  const next = CONVERT[field.kind](value, field, named)
  return next !== null && next !== undefined && isHeld(field, next) ? next : null
}

/** What would become of what entries hold in a field, were it of another kind. */
export interface Conversion {
  /** As many stay as they are, or read so, or come to nothing while it is so. */
  stay: number
  read: number
  lost: number
  examples: { value: string; reads: string | null }[]
}

/** Looks through the values of a field as they would be in `field`; examples are of what would change. */
export function conversionOf(values: Iterable<unknown>, before: Field, field: Field, named: Named = {}): Conversion {
  const found: Conversion = { stay: 0, read: 0, lost: 0, examples: [] }
  for (const value of values) {
    if (value === null || value === undefined || value === '') continue
    const next = isHeld(field, value) ? value : converted(field, value, named)
    const how = next === value ? 'stay' : next === null ? 'lost' : 'read'
    found[how]++
    // Some of those that would be lost are always among them.
    const many = found.examples.filter((e) => (e.reads === null) === (next === null)).length
    if (how !== 'stay' && many < 3)
      found.examples.push({ value: wordsOf(value, before), reads: next === null ? null : wordsOf(next, field) })
  }
  return found
}
