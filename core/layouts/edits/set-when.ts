import type { EditOf } from './types'
import { shapeOf } from '../../shape'
import { SETTINGS, copyOf, find } from '../../tree'
import { nodeIn } from '../draft-values'
import { nameIn } from './naming'
import { OF_NODE, type SettingSpec, keyOf } from './spec'

/** Says what must hold for a node to be drawn; no condition at all takes that away. */
export const setWhen: SettingSpec<'setWhen'> = {
  shape: () => shapeOf<EditOf<'setWhen'>>()(SETTINGS.setWhen),
  apply(draft, { id, when }) {
    const { when: before = [] } = nodeIn(draft, id)
    const node = draft.writable(id)
    if (when.length > 0) node.when = copyOf(when)
    else delete node.when
    return { kind: 'setWhen', id, when: before }
  },
  key: 'when',
  names: ({ id }) => [id],
  named: ([id = '']) => ({ kind: 'setWhen', id, when: [] }),
  sets: (edit) => [keyOf(setWhen.key, setWhen.names(edit))],
  ...OF_NODE,
  words: ({ id }, layout) => `when ${nameIn(layout, id)} is shown`,
  says: ({ when }) => (when.length > 0 ? 'other conditions' : 'always shown'),
  standing: (layout, edit) => ({ ...edit, when: find(layout, edit.id)?.node.when ?? [] }),
}
