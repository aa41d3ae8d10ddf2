import type { EditOf } from './types'
import { exact, oneOf, text, shapeOf } from '../../shape'
import { MOST_ABOUT } from '../../tree'
import type { EditSpec } from './spec'

/** Says in one line what the layout is for; an empty line takes that away. */
export const describe: EditSpec<'describe'> = {
  shape: () => shapeOf<EditOf<'describe'>>()(exact({ kind: oneOf(['describe']), about: text(MOST_ABOUT) })),
  apply(draft, { about }) {
    const { about: before = '' } = draft.layout
    const layout = draft.writableLayout()
    if (about) layout.about = about
    else delete layout.about
    return { kind: 'describe', about: before }
  },
  sets: () => ['about'],
  about: () => null,
  aboutOther: () => null,
  thing: (_, layout) => layout,
  words: () => 'what the layout is for',
  says: ({ about }) => about || 'nothing',
}
