import { refuse } from '../shape'
import { safeAddress } from '../addresses'
import { type DayOrder, dayNamed, momentNamed } from '../time'
import { type Decimal, readNumber } from '../numbers'
import { isRichDoc, richText } from './rich'
import { FIELD_SHAPES } from './shapes'
import type { Field, FieldKind, Id, RichDoc } from './types'

/**
 * What a value comes to in a field of another kind: read so where the kind of a field was changed, and where words come
 * in from a file. Nothing that is stored is changed by it.
 */

/** What things are called where words may name them, and how numbers and days are written there. */
export interface Named {
  decimal?: Decimal
  order?: DayOrder
  /** The currency of the site; an amount in any other is none. */
  currency?: string
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

/** A number with the words of its unit behind it; signs of percent and of money are no units. */
const WITH_UNIT = /^([-−+]?[\d.,\s'’]*\d(?:e[-+]?\d{1,3})?)\s*(?:\p{L}[\p{L}\d²³.]*)?$/iu

/** The number that some words say, with its unit or without. */
function numberIn(words: string, named: Named): number | null {
  const number = WITH_UNIT.exec(words.trim())?.[1]
  return number === undefined ? null : readNumber(number, named.decimal ?? 'point')
}

/** An amount in the currency of the site; null for one that is said to be in another. */
function moneyIn(words: string, { decimal = 'point', currency }: Named): number | null {
  const plain = words.trim()
  // The sign or the code of a currency stands before its digits or behind them.
  const begins = plain.search(/[-−+.,\d]/)
  const ends = plain.search(/\d[^\d]*$/)
  if (begins < 0 || ends < 0) return null
  const number = plain.slice(begins, ends + 1)
  const signs = [plain.slice(0, begins), plain.slice(ends + 1)].map((sign) => sign.trim()).filter(Boolean)
  return signs.every((sign) => isCurrency(sign, currency)) ? readNumber(number, decimal) : null
}

const SIGNS = new Map<string, ReadonlySet<string>>()

/** Whether a sign or a code stands for a currency. */
function isCurrency(sign: string, currency: string | undefined): boolean {
  if (currency === undefined) return false
  let signs = SIGNS.get(currency)
  if (!signs) {
    const write = (currencyDisplay: 'symbol' | 'narrowSymbol' | 'code') =>
      new Intl.NumberFormat('en', { style: 'currency', currency, currencyDisplay })
        .formatToParts(1)
        .find((p) => p.type === 'currency')!.value
    SIGNS.set(currency, (signs = new Set([write('symbol'), write('narrowSymbol'), write('code')])))
  }
  return signs.has(sign) || signs.has(sign.toUpperCase())
}

/** Yes and no in the languages that are offered where a site is founded. */
const YES = /^(yes|y|true|1|on|x|✓|ja|oui|sí|si|sì|sim|tak|kyllä|ano|ναι|evet|はい|vrai|wahr|verdadero|vero|waar)$/i
const NO = /^(no|n|false|0|off|-|nein|non|nee|não|nie|nej|nei|ei|ne|όχι|hayır|いいえ|faux|falsch|falso|onwaar)$/i

function choiceNamed(words: string, { choices = [] }: Field): Id | null {
  const plain = words.trim().toLowerCase()
  return choices.find((c) => c.id.toLowerCase() === plain || c.label.trim().toLowerCase() === plain)?.id ?? null
}

/** Several things named in one text, told apart by semicolons, bars, lines, or else commas. */
export function partsOf(words: string): string[] {
  const json = jsonIn(words)
  if (Array.isArray(json) && json.every((v) => typeof v === 'string')) return json
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

/** What JSON in a cell says; undefined for what is none. */
function jsonIn(value: unknown): unknown {
  if (typeof value !== 'string' || !/^\s*[[{]/.test(value)) return typeof value === 'object' ? value : undefined
  try {
    return JSON.parse(value)
  } catch (error) {
    if (error instanceof SyntaxError) return undefined
    throw error
  }
}

/** A value that was written as JSON, where the field can hold it; else what its words come to. */
const jsonOr =
  (convert: Convert): Convert =>
  (value, field, named) => {
    const json = jsonIn(value)
    return json !== undefined && json !== null && isHeld(field, json) ? json : convert(value, field, named)
  }

/** How a value of any kind comes to be one of each kind; null or undefined where it does not. */
const CONVERT: Readonly<Record<FieldKind, Convert>> = {
  text: (value, field) => wordsOf(value, field).replace(/\s+/g, ' ').trim().slice(0, 2000) || null,
  rich: (value, field) => (wordsOf(value, field).trim() ? paragraphs(wordsOf(value, field)) : null),
  // A number is one whatever sign tells decimals where it is written.
  number: (value, _, named) => (typeof value === 'number' ? value : numberIn(wordsOf(value), named)),
  money: (value, _, named) => (typeof value === 'number' ? value : moneyIn(wordsOf(value), named)),
  date: (value, _, { order }) => dayNamed(wordsOf(value), order),
  moment: (value, _, { order }) => momentNamed(wordsOf(value), order),
  'yes-no': (value) => (YES.test(wordsOf(value).trim()) ? true : NO.test(wordsOf(value).trim()) ? false : null),
  choice: (value, field) => choiceNamed(wordsOf(firstOf(value)), field),
  choices: (value, field) => every(listOf(value).map((v) => choiceNamed(v, field))),
  picture: (value, _, { picture }) => picture?.(wordsOf(firstOf(value))),
  pictures: (value, _, { picture }) => every(listOf(value).map((v) => picture?.(v))),
  documents: jsonOr((value) =>
    every(listOf(value).map((v) => (safeAddress(v) ? { name: v.split('/').pop() || v, address: v } : null))),
  ),
  offers: jsonOr(() => null),
  link: (value) => safeAddress(wordsOf(value)),
  position: jsonOr((value) => {
    const [x, y] = wordsOf(value).split(/[,;\s]+/)
    const found = [x, y].map((n) => (n ? Number(n) : NaN))
    return found.every(Number.isFinite) ? { x: found[0], y: found[1] } : null
  }),
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
