import type { EditOf } from './types'
import { exact, id, oneOf, text, shapeOf } from '../../shape'
import { itemIndex, itemsIn, writeItems } from '../draft-values'
import { itemName, nameIn } from './naming'
import { type EditSpec, OF_NODE, SETS_NOTHING } from './spec'

/** Takes away one of the items that a property holds. */
export const removeItem: EditSpec<'removeItem'> = {
  shape: () =>
    shapeOf<EditOf<'removeItem'>>()(exact({ kind: oneOf(['removeItem']), id: id(), property: text(200), item: id() })),
  apply(draft, { id, property, item }) {
    const items = [...itemsIn(draft, id, property)]
    const index = itemIndex(items, item)
    const [gone] = items.splice(index, 1)
    writeItems(draft, id, property, items)
    return { kind: 'insertItem', id, property, index, item: gone! }
  },
  ...SETS_NOTHING,
  ...OF_NODE,
  words: ({ id, property }, layout) => `remove ${itemName(layout, id, property)} from ${nameIn(layout, id)}`,
  fill: () => 'whole value',
}
