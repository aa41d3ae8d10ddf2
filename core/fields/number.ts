import { readNumber } from '../numbers'
import { numeric } from '../shape'
import { NUMBER } from './comparisons'
import { NUMERIC } from './families'
import type { FieldSpec, ReadContext } from './spec'
import { wordsOf } from './values'

/** A number with the words of its unit behind it; signs of percent and of money are no units. */
const WITH_UNIT = /^([-−+]?[\d.,\s'’]*\d(?:e[-+]?\d{1,3})?)\s*(?:\p{L}[\p{L}\d²³.]*)?$/iu

/** The number that some words say, with its unit or without. */
function numberIn(words: string, { decimal = 'point' }: ReadContext): number | null {
  const digits = WITH_UNIT.exec(words.trim())?.[1]
  return digits === undefined ? null : readNumber(digits, decimal)
}

const looksLikeNumber = (word: string): boolean =>
  /^[-−+]?[\d\s.,]+$/.test(word) && !/^0\d/.test(word) && readNumber(word, 'point') !== null

export const number: FieldSpec = {
  ...NUMERIC,
  label: 'Number',
  about: 'With a unit where it has one.',
  roles: ['stock', 'fact'],
  formats: ['digits', 'unit', 'counted'],
  details: ['unit', 'limits'],
  shape: numeric(),
  // A number is one whatever sign tells decimals where it is written.
  convert: (value, _, context) => (typeof value === 'number' ? value : numberIn(wordsOf(value), context)),
  guess: { rank: 2, fits: (words) => words.every(looksLikeNumber) },
  comparisons: NUMBER,
  write({ value, field }, format, formats) {
    const written = formats.number(Number(value), format, field?.unit)
    return format.counted ? formats.counted(Number(value), written, format.counted) : written
  },
}
