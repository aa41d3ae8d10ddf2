import { key } from '../shape'
import { referring } from './comparisons'
import { UNLISTED, reference } from './families'
import type { FieldSpec } from './spec'
import { firstOf, wordsOf } from './values'

export const picture: FieldSpec = {
  ...UNLISTED,
  ...reference('picture'),
  label: 'Picture',
  about: 'One picture.',
  roles: ['picture'],
  shape: key(),
  drawn: 'images',
  linked: false,
  leads: null,
  convert: (value, _, { picture: named }) => named?.(wordsOf(firstOf(value))),
  comparisons: referring('picture'),
  input: 'picture',
}
