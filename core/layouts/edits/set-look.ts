import type { EditOf } from './types'
import { shapeOf } from '../../shape'
import { SETTINGS, find } from '../../tree'
import { nodeIn } from '../draft-values'
import { nameIn } from './naming'
import { OF_NODE, type SettingSpec, keyOf } from './spec'

/** Gives a node a named look of the house style; an empty one takes it away. */
export const setLook: SettingSpec<'setLook'> = {
  shape: () => shapeOf<EditOf<'setLook'>>()(SETTINGS.setLook),
  apply(draft, { id, look }) {
    const { look: before = '' } = nodeIn(draft, id)
    const node = draft.writable(id)
    if (look) node.look = look
    else delete node.look
    return { kind: 'setLook', id, look: before }
  },
  key: 'named',
  names: ({ id }) => [id],
  named: ([id = '']) => ({ kind: 'setLook', id, look: '' }),
  sets: (edit) => [keyOf(setLook.key, setLook.names(edit))],
  ...OF_NODE,
  words: ({ id }, layout) => `named look of ${nameIn(layout, id)}`,
  says: ({ look }, { looks }) => looks.get(look) ?? (look ? 'a look that is gone' : 'none'),
  standing: (layout, edit) => ({ ...edit, look: find(layout, edit.id)?.node.look ?? '' }),
  renamed: (edit, ids) => ({ ...edit, look: edit.look && ids.look(edit.look) }),
}
