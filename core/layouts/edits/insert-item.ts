import type { EditOf } from './types'
import { besideIn, indexIn } from '../../edits'
import { fail } from '../../problems'
import { exact, id, oneOf, text, shapeOf } from '../../shape'
import { copyOf, itemShape } from '../../tree'
import { checkItemIndex, itemsIn, writeItems } from '../draft-values'
import { itemName, nameIn } from './naming'
import { itemsOf, standingShape } from './placing'
import { type EditSpec, OF_NODE, SETS_NOTHING } from './spec'

/** Puts an item among those that a property holds. */
export const insertItem: EditSpec<'insertItem'> = {
  shape: () =>
    shapeOf<EditOf<'insertItem'>>()(
      exact({ kind: oneOf(['insertItem']), id: id(), property: text(200), ...standingShape, item: itemShape }),
    ),
  apply(draft, { id, property, item, ...place }) {
    const items = [...itemsIn(draft, id, property)]
    const index = indexIn(items, place)
    if (items.some((i) => i.id === item.id)) fail('id-taken', { id: item.id })
    checkItemIndex(index, items.length)
    items.splice(index, 0, copyOf(item))
    writeItems(draft, id, property, items)
    return { kind: 'removeItem', id, property, item: item.id }
  },
  ...SETS_NOTHING,
  ...OF_NODE,
  words: ({ id, property }, layout) => `add ${itemName(layout, id, property)} to ${nameIn(layout, id)}`,
  beside: (draft, edit) => besideIn(itemsOf(draft, edit.id, edit.property), edit),
  fill: () => 'whole value',
}
