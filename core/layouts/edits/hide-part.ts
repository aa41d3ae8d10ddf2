import type { EditOf } from './types'
import { shapeOf } from '../../shape'
import { type LayoutElement, SETTINGS, find } from '../../tree'
import { elementIn } from '../draft-values'
import { looksName, nameIn } from './naming'
import { OF_NODE, type SettingSpec, keyOf } from './spec'

/** Hides a part of an element, or shows it again. */
export const hidePart: SettingSpec<'hidePart'> = {
  shape: () => shapeOf<EditOf<'hidePart'>>()(SETTINGS.hidePart),
  apply(draft, { id, part, hidden }) {
    const before = elementIn(draft, id).hides ?? []
    const element = draft.writable(id) as LayoutElement
    const others = before.filter((p) => p !== part)
    const hides = hidden ? [...others, part].sort() : others
    if (hides.length === 0) delete element.hides
    else element.hides = hides
    return { kind: 'hidePart', id, part, hidden: before.includes(part) }
  },
  key: 'part',
  names: ({ id, part }) => [id, part],
  named: ([id = '', part = '']) => ({ kind: 'hidePart', id, part, hidden: true }),
  sets: (edit) => [keyOf(hidePart.key, hidePart.names(edit))],
  ...OF_NODE,
  words: ({ id, part, hidden }, layout) =>
    `${hidden ? 'hide' : 'show'} ${looksName(layout, id, part)} of ${nameIn(layout, id)}`,
  says: ({ hidden }) => (hidden ? 'hidden' : 'shown'),
  standing(layout, edit) {
    const node = find(layout, edit.id)?.node
    return { ...edit, hidden: node?.kind === 'element' && (node.hides?.includes(edit.part) ?? false) }
  },
  fill: (edit) => edit,
}
