/** Where something is put among others: behind a neighbour, so that it lands there whatever others have put in between. */

/** A place in a list: an index, and behind whom that is (`null`: before all others). */
export interface ListPosition {
  index: number
  /** Goes before the index, where it is there; edits that nobody rebases may leave it out. */
  after?: string | null
}

type Named = { readonly id: string }

/** The index that a place has in a list by now; one whose neighbour is gone stands as near to its index as it can. */
export function indexIn(list: readonly Named[], { index, after }: ListPosition): number {
  if (after === undefined) return index
  if (after === null) return 0
  const at = list.findIndex((one) => one.id === after)
  return at < 0 ? Math.min(index, list.length) : at + 1
}

/** The same place with its neighbour said, as the list stands now; as it is where that is said already. */
export function besideIn<S extends ListPosition>(list: readonly Named[] | undefined, place: S): S {
  if (place.after !== undefined || !list || place.index > list.length) return place
  return { ...place, after: place.index === 0 ? null : list[place.index - 1]!.id }
}
