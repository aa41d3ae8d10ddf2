import { safeAddress } from '../addresses'
import { text as textShape } from '../shape'
import { TEXT } from './comparisons'
import { NO_USE, TEXTUAL } from './families'
import type { FieldSpec } from './spec'
import { wordsOf } from './values'

export const link: FieldSpec = {
  ...TEXTUAL,
  label: 'Link',
  about: 'An address.',
  shape: textShape(2000),
  uses: { ...NO_USE, show: true },
  linked: true,
  convert: (value) => safeAddress(wordsOf(value)),
  guess: { rank: 5, fits: (words) => words.every((w) => /^https?:\/\/\S+$/.test(w)) },
  comparisons: TEXT,
  input: 'link',
  write: ({ value }) => String(value),
}
