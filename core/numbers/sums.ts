import { inLatin } from './read-number'

/**
 * Numbers as people write them into a field: with a unit, or as a sum. Units are multiples of the field's own.
 */
export type Units = Readonly<Record<string, number>>

interface Reader {
  text: string
  at: number
  units: Units
}

const eat = (reader: Reader, pattern: RegExp): string | null => {
  pattern.lastIndex = reader.at
  const found = pattern.exec(reader.text)?.[0] ?? null
  if (found !== null) reader.at += found.length
  return found
}

/** A number with its unit, a sum in brackets, or either with a sign before it. */
function value(reader: Reader): number | null {
  const sign = eat(reader, /[+-]/y)
  if (sign) {
    const signed = value(reader)
    return signed === null ? null : sign === '-' ? -signed : signed
  }
  if (eat(reader, /\(/y)) {
    const inner = sum(reader)
    return eat(reader, /\)/y) ? inner : null
  }
  const digits = eat(reader, /(\d+([.,]\d*)?|[.,]\d+)/y)
  // "1,200" is 1200 to one person and 1.2 to another: it is asked for again.
  if (digits === null || /^[1-9]\d{0,2},\d{3}$/.test(digits)) return null
  const unit = eat(reader, /(?!x[\d.,(])[a-z%]+/y)
  if (unit !== null && !Object.hasOwn(reader.units, unit)) return null
  return Number(digits.replace(',', '.')) * (unit === null ? 1 : reader.units[unit]!)
}

function chain(reader: Reader, next: (reader: Reader) => number | null, operators: RegExp): number | null {
  let left = next(reader)
  for (let op = eat(reader, operators); left !== null && op; op = eat(reader, operators)) {
    const right = next(reader)
    if (right === null) return null
    left = op === '+' ? left + right : op === '-' ? left - right : op === '/' ? left / right : left * right
  }
  return left
}

const product = (reader: Reader) => chain(reader, value, /[*x×/]/y)
const sum = (reader: Reader): number | null => chain(reader, product, /[+-]/y)

/** What a number or a sum such as `24*2` or `1.5rem + 4` comes to; null when it is none. At most 200 characters. */
export function readSum(text: string, units: Units = {}): number | null {
  if (text.length > 200) return null
  const reader: Reader = { text: inLatin(text).toLowerCase().replace(/\s+/g, ''), at: 0, units }
  const result = sum(reader)
  return result === null || reader.at < reader.text.length || !Number.isFinite(result) ? null : result
}
