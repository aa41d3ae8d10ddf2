import { ID, exact, id, kinds, list, oneOf, optional, record, text, whole, yes, orNothing, shapeOf } from '../shape'
import { LAYOUT_REGIONS, MOST_ABOUT, MOST_NAME, SETTINGS, nodeShape, type Change, type Variation } from '../tree'

/** The shapes of variations and their own changes. */

/** How many own changes a variation may have. */
export const MOST_CHANGES = 10_000
const afterId = orNothing(id())

/** An own change. */
export const changeShape = shapeOf<Change>()(
  kinds(
    {
      put: exact({ kind: oneOf(['put']), parent: id(), after: afterId, node: nodeShape }),
      move: exact({ kind: oneOf(['move']), id: id(), parent: id(), after: afterId }),
      gone: exact({ kind: oneOf(['gone']), id: id() }),
      spans: exact({ kind: oneOf(['spans']), row: id(), spans: record(ID, whole(1, 12), 12) }),
      set: exact({ kind: oneOf(['set']), edit: kinds(SETTINGS, 'kind', 'own change of a value') }),
    },
    'kind',
    'own change',
  ),
)

export const changesShape = list(changeShape, MOST_CHANGES, `a variation has at most ${MOST_CHANGES} own changes`)

/** A layout that follows another. */
export const variationShape = shapeOf<Variation>()(
  exact({
    kind: oneOf(['layout']),
    format: oneOf([2]),
    id: id(),
    name: text(MOST_NAME),
    about: optional(text(MOST_ABOUT)),
    starter: optional(yes()),
    region: oneOf(LAYOUT_REGIONS, 'there is no such region'),
    follows: exact({ base: id(), changes: changesShape }),
  }),
)
