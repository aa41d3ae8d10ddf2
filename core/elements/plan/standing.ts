import type { Scene } from '../../drawing'
import { spotsOf } from '../../lists'
import {
  type Catalogue,
  type Entry,
  type Floor,
  type FloorPlan,
  type Id,
  type Position,
  floorOf,
  positionIn,
} from '../../site'

/** An entry that stands somewhere on a floor plan. */
export interface Standing {
  entry: Entry
  at: Position
  floor: Floor
}

/** Of what a page lists so many at most are looked for on a plan. */
export const MOST_LISTED = 60

const FLOORS = new WeakMap<FloorPlan, WeakMap<Position, Floor | null>>()

/** On which floor something stands; found out once for each position. */
function keptFloor(plan: FloorPlan, at: Position): Floor | null {
  let floors = FLOORS.get(plan)
  if (!floors) FLOORS.set(plan, (floors = new WeakMap()))
  let floor = floors.get(at)
  if (floor === undefined) floors.set(at, (floor = floorOf(plan, at)))
  return floor
}

/** The field that says where entries of a type stand: the one asked for, else its first position. */
export function positionField(catalogue: Catalogue, type: Id, asked: Id | null): Id | null {
  const fields = catalogue.types.get(type)?.fields.filter((f) => f.kind === 'position') ?? []
  return (asked ? fields.find((f) => f.id === asked) : fields[0])?.id ?? null
}

/** Where an entry stands; null where it does not say so. */
export function standingOf(entry: Entry, asked: Id | null, plan: FloorPlan, catalogue: Catalogue): Standing | null {
  const field = positionField(catalogue, entry.type, asked)
  const at = field && positionIn(entry.fields[field])
  const floor = at ? keptFloor(plan, at) : null
  return at && floor ? { entry, at, floor } : null
}

/** Entries of the same type nearest to one, on its floor. */
export function neighboursOf(of: Standing, asked: Id | null, most: number, plan: FloorPlan, scene: Scene): Standing[] {
  const { catalogue } = scene
  const { type, id } = of.entry
  const field = positionField(catalogue, type, asked)
  // Read wherever it may be shown, so that it is known to be.
  catalogue.entriesOfType(type)
  if (!field) return []
  const near = spotsOf(catalogue, type, field).nearest(
    of.at,
    most,
    (at, other) => other !== id && keptFloor(plan, at) === of.floor,
  )
  return near.flatMap((other) => standingOf(catalogue.entries.get(other)!, asked, plan, catalogue) ?? [])
}

/** Those of what the page lists that stand somewhere, in its order. */
export function listedStanding(asked: Id | null, plan: FloorPlan, { catalogue, page }: Scene): Standing[] {
  const found: Standing[] = []
  for (const entry of catalogue.listing(page)) {
    const standing = standingOf(entry, asked, plan, catalogue)
    if (standing) found.push(standing)
    if (found.length === MOST_LISTED) break
  }
  return found
}
