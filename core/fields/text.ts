import { text as textShape } from '../shape'
import { firstSentence, firstWords } from '../rich'
import { TEXT } from './comparisons'
import { TEXTUAL } from './families'
import type { FieldSpec, Format } from './spec'
import { wordsOf } from './values'

/** No more of a text than a format wants: its first sentence, or so many words. */
export const shortened = (text: string, { first }: Format): string =>
  first === undefined ? text : first === 'sentence' ? firstSentence(text) : firstWords(text, first)

export const text: FieldSpec = {
  ...TEXTUAL,
  label: 'Line of text',
  about: 'A few words.',
  roles: ['description', 'person', 'place', 'fact', 'icon'],
  formats: ['first'],
  shape: textShape(2000),
  linked: false,
  convert: (value, field) => wordsOf(value, field).replace(/\s+/g, ' ').trim().slice(0, 2000) || null,
  guess: { rank: 9, fits: () => true },
  comparisons: TEXT,
  input: 'text',
  write: ({ value }, format) => shortened(String(value), format),
}
