import { key } from '../shape'
import { referring } from './comparisons'
import { namedReference } from './families'
import type { FieldSpec } from './spec'
import { firstOf, wordsOf } from './values'

export const person: FieldSpec = {
  ...namedReference('person'),
  label: 'Person',
  about: 'One of the people.',
  roles: ['person', 'fact'],
  shape: key(),
  convert: (value, _, { person: named }) => named?.(wordsOf(value)),
  comparisons: referring('person'),
  input: 'person',
  group(value, _, directory) {
    const id = String(firstOf(value))
    return { key: id, rank: directory.nameOf('person', id), of: { kind: 'person', value: id } }
  },
}
