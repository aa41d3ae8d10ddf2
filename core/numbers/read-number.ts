/** Numbers as people write them, read in one way: in forms, in what is imported, in fields whose kind has changed. */

/** Which sign stands before the decimals. */
export type Decimal = 'point' | 'comma'

/** How a language writes numbers; a point where it cannot be told. */
export function decimalOf(locale: string): Decimal {
  try {
    const part = new Intl.NumberFormat(locale, { numberingSystem: 'latn' })
      .formatToParts(1.5)
      .find((p) => p.type === 'decimal')
    return part?.value === ',' ? 'comma' : 'point'
  } catch (error) {
    if (error instanceof RangeError) return 'point'
    throw error
  }
}

/** Decimal, grouping and plus and minus signs of other scripts (Arabic, full-width), by the ASCII sign they stand for. */
const SIGNS: Readonly<Record<string, string>> = {
  '٫': '.',
  '٬': ',',
  '،': ',',
  '．': '.',
  '，': ',',
  '＋': '+',
  '－': '-',
}

/** Unicode has five sets of mathematical digits in a row, without a gap between them. */
const MATHEMATICAL = 0x1d7ce

/** The ASCII digit for a digit of any script. The ten digits of a script are consecutive from its zero (Unicode 4.6). */
function digitOf(digit: string): string {
  const code = digit.codePointAt(0)!
  if (code >= MATHEMATICAL && code < MATHEMATICAL + 50) return String((code - MATHEMATICAL) % 10)
  let zero = code
  while (code - zero < 9 && /\p{Nd}/u.test(String.fromCodePoint(zero - 1))) zero--
  return String(code - zero)
}

/** The text with ASCII digits and signs, and without the marks that set the writing direction. */
export function inLatin(words: string): string {
  // Almost all texts are ASCII already, and imports read very many.
  if (!/[^ -~]/.test(words)) return words
  return words
    .replace(/[\u200e\u200f\u061c]/g, '')
    .replace(/[٫٬،．，＋－]/g, (sign) => SIGNS[sign]!)
    .replace(/(?![0-9])\p{Nd}/gu, digitOf)
}

const BLANKS = /[\s'’]/g
const SHAPE = /^([-−+]?)([\d.,]+)(?:e([-+]?\d{1,3}))?$/i
/** Groups of three digits. In India, where commas divide groups, those before the last three digits have two. */
const GROUPS = { '.': /^\d{1,3}(\.\d{3})+$/, ',': /^\d{1,3}(,\d{3})+$|^\d{1,2}(,\d{2})+,\d{3}$/ }

/** Digits with at most one sign between them, which tells thousands in one language and decimals in another. */
const TWO_WAYS = /^[1-9]\d{0,2}[.,]\d{3}$/

/** Whether a number reads as another one where the other sign tells decimals: 1.250 and 1,250. */
export const isReadTwoWays = (words: string): boolean => TWO_WAYS.test(inLatin(words).replace(/[-−+\s'’]/g, ''))

/** Digits with thousands and decimals told apart, as JavaScript reads them; null where they are no number. */
function plain(digits: string, decimal: Decimal): string | null {
  const [points, commas] = [digits.split('.').length - 1, digits.split(',').length - 1]
  if (points + commas === 0) return digits
  if (points > 0 && commas > 0) {
    // Whichever comes last, once, tells decimals.
    const mark = digits.lastIndexOf('.') > digits.lastIndexOf(',') ? '.' : ','
    const group = mark === '.' ? ',' : '.'
    const [whole = '', part = '', ...more] = digits.split(mark)
    return more.length === 0 && GROUPS[group].test(whole) ? `${whole.replaceAll(group, '')}.${part}` : null
  }
  const mark = points > 0 ? '.' : ','
  if (points + commas > 1) return GROUPS[mark].test(digits) ? digits.replaceAll(mark, '') : null
  const tells = (decimal === 'point') === (mark === '.') ? 'decimals' : 'thousands'
  return tells === 'thousands' && TWO_WAYS.test(digits) ? digits.replace(mark, '') : digits.replace(mark, '.')
}

/**
 * The number that some words are, and nothing else; null for none. Thousands may be set apart by blanks, apostrophes,
 * points or commas, and digits may be those of any script. Where a point or comma could tell thousands or decimals,
 * `decimal` says which.
 */
export function readNumber(words: string, decimal: Decimal): number | null {
  const trimmed = inLatin(words).trim()
  // Blanks stand between thousands, and nowhere else.
  if (/\d[\s'’]+\d/.test(trimmed) && !/^[-−+]?\d{1,3}([\s'’]\d{3})+(?!\d)/.test(trimmed)) return null
  const [, sign = '', digits = '', exponent] = SHAPE.exec(trimmed.replace(BLANKS, '')) ?? []
  const read = /\d/.test(digits) ? plain(digits, decimal) : null
  if (read === null) return null
  const number = Number(`${sign === '−' ? '-' : sign}${read}${exponent === undefined ? '' : `e${exponent}`}`)
  return Number.isFinite(number) && Math.abs(number) <= 1e12 ? number : null
}

/** A number as a file has it: digits with a point, which read as the same number in every language. */
export function numberWords(number: number): string {
  const words = String(number)
  return isReadTwoWays(words) ? `${words}0` : words
}
