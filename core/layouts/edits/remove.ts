import type { EditOf } from './types'
import { exact, id, oneOf, shapeOf } from '../../shape'
import { nodeIn } from '../draft-values'
import { nameIn } from './naming'
import { type EditSpec, OF_NODE, SETS_NOTHING } from './spec'

/** Takes a node away, with all that is in it. */
export const remove: EditSpec<'remove'> = {
  shape: () => shapeOf<EditOf<'remove'>>()(exact({ kind: oneOf(['remove']), id: id() })),
  apply(draft, { id }) {
    nodeIn(draft, id)
    const place = draft.placeOf(id)
    return { kind: 'insert', ...place, node: draft.take(id) }
  },
  ...SETS_NOTHING,
  ...OF_NODE,
  thing: () => null,
  words: ({ id }, layout) => `remove ${nameIn(layout, id)}`,
}
