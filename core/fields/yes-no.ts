import { yesNo as yesNoShape } from '../shape'
import { YES_NO } from './comparisons'
import { TEXTUAL } from './families'
import type { FieldSpec } from './spec'
import { wordsOf } from './values'

/** Yes and no in the languages that are offered where a site is founded. */
const YES = /^(yes|y|true|1|on|x|✓|ja|oui|sí|si|sì|sim|tak|kyllä|ano|ναι|evet|はい|vrai|wahr|verdadero|vero|waar)$/i
const NO = /^(no|n|false|0|off|-|nein|non|nee|não|nie|nej|nei|ei|ne|όχι|hayır|いいえ|faux|falsch|falso|onwaar)$/i

export const yesNo: FieldSpec = {
  ...TEXTUAL,
  label: 'Yes or no',
  about: 'One of the two.',
  roles: ['fact'],
  formats: ['yes', 'no'],
  shape: yesNoShape(),
  suits: (value) => typeof value === 'boolean',
  uses: { filter: 'keys', sort: true, group: true, show: true, sum: false },
  leads: null,
  linked: false,
  convert: (value) => (YES.test(wordsOf(value).trim()) ? true : NO.test(wordsOf(value).trim()) ? false : null),
  guess: { rank: 1, fits: (words) => words.every((w) => /^(yes|no|true|false)$/i.test(w)) },
  comparisons: YES_NO,
  canBeEmpty: false,
  comparedWith: 'yes-no',
  input: 'yes-no',
  write: ({ value }, format) => (value ? (format.yes ?? 'Yes') : (format.no ?? 'No')),
  keys: (value) => [value === true ? 'yes' : 'no'],
  group: (value) => {
    const label = value === true ? 'Yes' : 'No'
    return { key: label, rank: value === true ? 0 : 1, of: { kind: 'words', value: label } }
  },
  toJson: (value, _, cell) => (typeof value === 'boolean' ? value : cell || null),
}
