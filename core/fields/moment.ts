import { judged } from '../shape'
import { isMoment, momentNamed } from '../time'
import { DAY } from './comparisons'
import { dated } from './families'
import type { FieldSpec } from './spec'
import { wordsOf } from './values'

export const moment: FieldSpec = {
  ...dated(true),
  label: 'Date and time',
  about: 'In the time zone of the site.',
  shape: judged((v) => (isMoment(v) ? null : 'a moment is written as 2026-03-29T14:00')),
  convert: (value, _, { order }) => momentNamed(wordsOf(value), order),
  guess: { rank: 3, fits: (words) => words.every((w) => /^\d{4}-\d{2}-\d{2}[T ]\d{1,2}:\d{2}/.test(w)) },
  comparisons: DAY,
  input: 'moment',
}
