import type { EditOf } from './types'
import { besideIn } from '../../edits'
import { exact, id, oneOf, shapeOf } from '../../shape'
import { childrenOf, copyOf, nodeShape } from '../../tree'
import { checkPlace } from '../draft-values'
import { nodeWords } from './naming'
import { indexAmong, standingShape } from './placing'
import { type EditSpec, SETS_NOTHING } from './spec'

/** Puts a node among the children of another one. */
export const insert: EditSpec<'insert'> = {
  shape: () =>
    shapeOf<EditOf<'insert'>>()(exact({ kind: oneOf(['insert']), parent: id(), ...standingShape, node: nodeShape })),
  apply(draft, { parent, node, ...place }) {
    const index = indexAmong(draft, parent, place)
    checkPlace(draft, parent, index, node)
    draft.putAt(parent, index, copyOf(node))
    return { kind: 'remove', id: node.id }
  },
  ...SETS_NOTHING,
  about: () => null,
  aboutOther: () => null,
  thing: () => null,
  words: ({ node }) => `add ${nodeWords(node)}`,
  beside(draft, edit) {
    const holder = draft.holder(edit.parent)
    return holder ? besideIn(childrenOf(holder), edit) : edit
  },
}
