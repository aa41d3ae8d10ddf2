import { judged } from '../shape'
import { dayNamed, isDay } from '../time'
import { DAY } from './comparisons'
import { dated } from './families'
import type { FieldSpec } from './spec'
import { wordsOf } from './values'

export const date: FieldSpec = {
  ...dated(false),
  label: 'Date',
  about: 'A day.',
  shape: judged((v) => (isDay(v) ? null : 'A date is written as 2026-03-29')),
  convert: (value, _, { order }) => dayNamed(wordsOf(value), order),
  guess: { rank: 4, fits: (words) => words.every((w) => dayNamed(w) !== null && w.length <= 30) },
  comparisons: DAY,
  input: 'date',
}
