import { newElement } from '#core/elements'
import { type Column, type Layout, emptyLayout, emptyRow } from '#core/tree'
import type { Id } from '#core/model'

/** The id of the layout that a card is looked at in; no layout that is stored has such a one. */
export const CARD_GRID = 'card-in-a-grid'
const MOST = 12

/** A body with a grid of real entries of a page type, each drawn as a card. */
export function cardGrid(card: Id, type: string | null): Layout {
  let made = 0
  const newId = () => `${CARD_GRID}-${++made}`
  const row = emptyRow(newId, [12])
  const grid = newElement('entry-list', newId)
  ;(row.children[0] as Column).children = [{ ...grid, props: { source: 'newest', type, most: MOST, columns: 3, card } }]
  row.styles = { paddingTop: { wide: 40 }, paddingBottom: { wide: 40 } }
  return { ...emptyLayout(CARD_GRID, 'Card in a grid', 'body'), children: [row] }
}
