import { text as textShape } from '../shape'
import { CHOSEN } from './comparisons'
import { CHOICES, choiceNamed } from './families'
import type { FieldSpec } from './spec'
import { firstOf, isText, wordsOf } from './values'

/** As many values are needed before a column is taken for choices; and no more different ones than so many. */
const [FEWEST, MOST_DIFFERENT] = [8, 12]

export const choice: FieldSpec = {
  ...CHOICES,
  label: 'One choice',
  about: 'Of those that you list.',
  roles: ['place', 'fact', 'icon'],
  shape: textShape(120),
  suits: isText,
  holds: (value, { choices = [] }) => choices.some((c) => c.id === value),
  convert: (value, field) => choiceNamed(wordsOf(firstOf(value)), field),
  guess: {
    rank: 7,
    fits(words) {
      const different = new Set(words).size
      return words.length >= FEWEST && different <= MOST_DIFFERENT && different <= words.length / 3
    },
  },
  comparisons: CHOSEN,
  input: 'choice',
}
