import type { EditOf } from './types'
import { fail } from '../../problems'
import { exact, id, list, oneOf, whole, shapeOf } from '../../shape'
import { nodeIn } from '../draft-values'
import { type EditSpec, keyOf } from './spec'

/** Sets how many of the twelve parts of a row each of its columns takes. */
export const setSpans: EditSpec<'setSpans'> = {
  shape: () =>
    shapeOf<EditOf<'setSpans'>>()(exact({ kind: oneOf(['setSpans']), row: id(), spans: list(whole(1, 12), 12) })),
  apply(draft, { row, spans }) {
    const node = nodeIn(draft, row)
    if (node.kind !== 'row') return fail('edit-shape', { why: 'only a row has spans' })
    if (node.children.length !== spans.length) fail('edit-shape', { why: 'there must be one span for each column' })
    const before = node.children.map((c) => c.span)
    for (const [i, { id }] of [...node.children].entries()) {
      const column = draft.writable(id)
      if (column.kind === 'column') column.span = spans[i]!
    }
    return { kind: 'setSpans', row, spans: before }
  },
  sets: ({ row }) => [keyOf('spans', [row])],
  about: ({ row }) => row,
  aboutOther: (edit, row) => ({ ...edit, row }),
  thing: ({ row }) => row,
  words: ({ spans }) => `spans ${spans.join(' + ')}`,
  says: ({ spans }) => spans.join(' + '),
}
