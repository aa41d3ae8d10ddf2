import { type ListPosition, indexIn } from '../../edits'
import { id, whole, maybe, orNothing } from '../../shape'
import { type Item, childrenOf } from '../../tree'
import type { LayoutDraft } from '../draft'

/** Where edits put things: by a neighbour where one is said, else by number. */

export const standingShape = {
  index: whole(0, 100_000),
  after: maybe(orNothing(id())),
}

/** Where something is put in what holds it, as that stands by now. */
export function indexAmong(draft: LayoutDraft, parent: string, place: ListPosition): number {
  const holder = draft.holder(parent)
  return holder ? indexIn(childrenOf(holder), place) : place.index
}

/** The items of a property, as far as it holds any. */
export function itemsOf(draft: LayoutDraft, id: string, property: string): readonly Item[] | undefined {
  const items = draft.node(id)?.props[property]
  return Array.isArray(items) ? items : undefined
}
