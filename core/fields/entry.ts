import { key } from '../shape'
import { referring } from './comparisons'
import { namedReference } from './families'
import type { FieldSpec } from './spec'
import { firstOf, wordsOf } from './values'

export const entry: FieldSpec = {
  ...namedReference('entry'),
  label: 'Entry',
  about: 'An entry of some page type.',
  roles: ['place', 'fact'],
  details: ['of'],
  shape: key(),
  convert: (value, { of }, { entry: named }) => named?.(wordsOf(value), of),
  comparisons: referring('entry'),
  input: 'entry',
  group(value, _, directory) {
    const name = directory.nameOf('entry', String(firstOf(value)))
    return { key: name, rank: name, of: { kind: 'words', value: name } }
  },
}
