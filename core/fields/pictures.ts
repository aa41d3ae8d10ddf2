import { KEY, texts } from '../shape'
import { referring } from './comparisons'
import { UNLISTED, reference } from './families'
import type { FieldSpec } from './spec'
import { allFound, isText, listOf, several, textsIn } from './values'

export const pictures: FieldSpec = {
  ...UNLISTED,
  ...reference('picture'),
  label: 'Pictures',
  about: 'Several, in order.',
  roles: ['picture'],
  shape: texts(KEY, 200),
  suits: listOf(isText),
  drawn: 'images',
  linked: false,
  leads: null,
  convert: (value, _, { picture }) => allFound(textsIn(value).map((v) => picture?.(v))),
  comparisons: referring('picture'),
  input: 'pictures',
  toCell: (value, _, context) =>
    Array.isArray(value) ? several(value.map((id) => context.nameOf('picture', String(id)))) : '',
}
