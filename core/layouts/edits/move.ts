import type { EditOf } from './types'
import { besideIn } from '../../edits'
import { fail } from '../../problems'
import { exact, id, oneOf, shapeOf } from '../../shape'
import { childrenOf } from '../../tree'
import { checkPlace, nodeIn } from '../draft-values'
import { nameIn } from './naming'
import { indexAmong, standingShape } from './placing'
import { type EditSpec, OF_NODE, SETS_NOTHING } from './spec'

/** Puts a node somewhere else. Its index counts without the node itself. */
export const move: EditSpec<'move'> = {
  shape: () => shapeOf<EditOf<'move'>>()(exact({ kind: oneOf(['move']), id: id(), parent: id(), ...standingShape })),
  apply(draft, { id, parent, ...place }) {
    const node = nodeIn(draft, id)
    if (draft.isWithin(parent, id)) fail('into-itself')
    const from = draft.placeOf(id)
    if (!draft.holder(parent)) fail('node-unknown', { id: parent })
    draft.take(id)
    const index = indexAmong(draft, parent, place)
    checkPlace(draft, parent, index, node)
    draft.putAt(parent, index, node)
    return { kind: 'move', id, ...from }
  },
  ...SETS_NOTHING,
  ...OF_NODE,
  words: ({ id }, layout) => `move ${nameIn(layout, id)}`,
  beside(draft, edit) {
    const holder = draft.holder(edit.parent)
    if (!holder) return edit
    return besideIn(
      childrenOf(holder).filter((child) => child.id !== edit.id),
      edit,
    )
  },
}
