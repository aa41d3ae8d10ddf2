import type { EditOf } from './types'
import { besideIn, indexIn } from '../../edits'
import { exact, id, oneOf, text, shapeOf } from '../../shape'
import { checkItemIndex, itemIndex, itemsIn, writeItems } from '../draft-values'
import { itemName, nameIn } from './naming'
import { itemsOf, standingShape } from './placing'
import { type EditSpec, OF_NODE, SETS_NOTHING } from './spec'

/** Moves an item among those that a property holds. Its index counts without the item itself. */
export const moveItem: EditSpec<'moveItem'> = {
  shape: () =>
    shapeOf<EditOf<'moveItem'>>()(
      exact({ kind: oneOf(['moveItem']), id: id(), property: text(200), item: id(), ...standingShape }),
    ),
  apply(draft, { id, property, item, ...place }) {
    const items = [...itemsIn(draft, id, property)]
    const from = itemIndex(items, item)
    const [moved] = items.splice(from, 1)
    const index = indexIn(items, place)
    checkItemIndex(index, items.length)
    items.splice(index, 0, moved!)
    writeItems(draft, id, property, items)
    return { kind: 'moveItem', id, property, item, index: from }
  },
  ...SETS_NOTHING,
  ...OF_NODE,
  words: ({ id, property }, layout) => `move ${itemName(layout, id, property)} in ${nameIn(layout, id)}`,
  beside: (draft, edit) =>
    besideIn(
      itemsOf(draft, edit.id, edit.property)?.filter((item) => item.id !== edit.item),
      edit,
    ),
  fill: () => 'whole value',
}
