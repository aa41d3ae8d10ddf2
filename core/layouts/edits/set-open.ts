import type { EditOf } from './types'
import { shapeOf } from '../../shape'
import { SETTINGS, find } from '../../tree'
import { nodeIn } from '../draft-values'
import { nameIn, propertyLabel } from './naming'
import { OF_NODE, type SettingSpec, keyOf } from './spec'

/** Leaves a property of something in a piece to the places of it, or not. */
export const setOpen: SettingSpec<'setOpen'> = {
  shape: () => shapeOf<EditOf<'setOpen'>>()(SETTINGS.setOpen),
  apply(draft, { id, property, open }) {
    const { open: before = [] } = nodeIn(draft, id)
    const node = draft.writable(id)
    const others = before.filter((p) => p !== property)
    const all = open ? [...others, property].sort() : others
    if (all.length > 0) node.open = all
    else delete node.open
    return { kind: 'setOpen', id, property, open: before.includes(property) }
  },
  key: 'open',
  names: ({ id, property }) => [id, property],
  named: ([id = '', property = '']) => ({ kind: 'setOpen', id, property, open: true }),
  sets: (edit) => [keyOf(setOpen.key, setOpen.names(edit))],
  ...OF_NODE,
  words: ({ id, property, open }, layout) =>
    `${open ? 'leave open' : 'close'} ${propertyLabel(layout, id, property)} of ${nameIn(layout, id)}`,
  says: ({ open }) => (open ? 'open' : 'not open'),
  standing: (layout, edit) => ({
    ...edit,
    open: find(layout, edit.id)?.node.open?.includes(edit.property) ?? false,
  }),
}
