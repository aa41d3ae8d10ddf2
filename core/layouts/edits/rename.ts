import type { EditOf } from './types'
import { shapeOf } from '../../shape'
import { SETTINGS, find } from '../../tree'
import { nodeIn } from '../draft-values'
import { OF_NODE, type SettingSpec, keyOf } from './spec'

/** Names a row, column or element, or, by its own id, the layout. An empty name takes it away. */
export const rename: SettingSpec<'rename'> = {
  shape: () => shapeOf<EditOf<'rename'>>()(SETTINGS.rename),
  apply(draft, { id, name }) {
    const isLayout = id === draft.layout.id
    const before = (isLayout ? draft.layout : nodeIn(draft, id)).name ?? ''
    const target = isLayout ? draft.writableLayout() : draft.writable(id)
    if (name || isLayout) target.name = name
    else delete target.name
    return { kind: 'rename', id, name: before }
  },
  key: 'name',
  names: ({ id }) => [id],
  named: ([id = '']) => ({ kind: 'rename', id, name: '' }),
  sets: (edit) => [keyOf(rename.key, rename.names(edit))],
  ...OF_NODE,
  words: ({ id }, layout) => (id === layout.id ? 'rename the layout' : 'rename'),
  says: ({ name }) => name || 'no name',
  standing: (layout, edit) => ({ ...edit, name: find(layout, edit.id)?.node.name ?? '' }),
}
