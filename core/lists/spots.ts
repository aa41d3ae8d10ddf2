import type { Catalogue } from '../catalogue'
import { type Entry, type Id, positionIn } from '../model'
import type { Position } from '../fields'

interface EntryPosition {
  id: Id
  at: Position
}

const MOST_KEPT = 20

/**
 * Where the entries of a type stand, in the order of their x, so that those near a point are found without looking at
 * all. Kept in step with the catalogue's changes one by one.
 */
export class Spots {
  private readonly spots: EntryPosition[] = []
  private readonly known = new Map<Id, EntryPosition>()

  constructor(
    entries: Iterable<Entry>,
    private readonly type: Id,
    private readonly field: Id,
  ) {
    for (const entry of entries) {
      const at = this.positionOf(entry)
      if (at) this.spots.push(this.keep(entry.id, at))
    }
    this.spots.sort((a, b) => a.at.x - b.at.x)
  }

  private positionOf(entry: Entry): Position | null {
    return entry.type === this.type ? positionIn(entry.fields[this.field]) : null
  }

  private keep(id: Id, at: Position): EntryPosition {
    const spot = { id, at }
    this.known.set(id, spot)
    return spot
  }

  /** The first place whose x is not below one. */
  private placeOf(x: number): number {
    let [low, high] = [0, this.spots.length]
    while (low < high) {
      const middle = (low + high) >> 1
      if (this.spots[middle]!.at.x < x) low = middle + 1
      else high = middle
    }
    return low
  }

  /** Takes over an entry as visitors see it now, or that they do not. */
  take(id: Id, entry: Entry | null): void {
    const was = this.known.get(id)
    if (was) {
      this.spots.splice(this.spots.indexOf(was, this.placeOf(was.at.x)), 1)
      this.known.delete(id)
    }
    const at = entry && this.positionOf(entry)
    if (at) this.spots.splice(this.placeOf(at.x), 0, this.keep(id, at))
  }

  /** The entries nearest to a point, nearest first, of those that a test lets through; equally near ones by their ids. */
  nearest({ x, y }: Position, most: number, passes: (spot: Position, id: Id) => boolean): Id[] {
    const found: { id: Id; far: number }[] = []
    const reach = () => (found.length < most ? Infinity : found.at(-1)!.far)
    let right = this.placeOf(x)
    let left = right - 1
    const across = (i: number) => {
      const spot = this.spots[i]
      return spot ? Math.abs(spot.at.x - x) : Infinity
    }
    while (most > 0) {
      const near = Math.min(across(left), across(right))
      if (near === Infinity || near ** 2 > reach()) break
      const { id, at } = this.spots[across(left) < across(right) ? left-- : right++]!
      const far = (at.x - x) ** 2 + (at.y - y) ** 2
      if (far > reach() || !passes(at, id)) continue
      const place = found.findIndex((f) => f.far > far || (f.far === far && f.id > id))
      found.splice(place < 0 ? found.length : place, 0, { id, far })
      if (found.length > most) found.pop()
    }
    return found.map((f) => f.id)
  }
}

const KEPT = new WeakMap<Catalogue, Map<string, Spots>>()

/** Where the entries of a type that are out stand, by one of its fields; made at its first use. */
export function spotsOf(catalogue: Catalogue, type: Id, field: Id): Spots {
  let kept = KEPT.get(catalogue)
  if (!kept) {
    const made = new Map<string, Spots>()
    KEPT.set(catalogue, (kept = made))
    catalogue.followedBy((id, entry) => {
      for (const spots of made.values()) spots.take(id, entry)
    })
  }
  const key = `${type} ${field}`
  let spots = kept.get(key)
  if (!spots) {
    if (kept.size >= MOST_KEPT) kept.clear()
    kept.set(key, (spots = new Spots(catalogue.entriesOfType(type), type, field)))
  }
  return spots
}
