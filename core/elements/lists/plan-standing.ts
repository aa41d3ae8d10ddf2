import type { Scene } from '../../drawing'
import { spotsOf } from '../../lists'
import type { Catalogue } from '../../catalogue'
import {
  type Entry,
  type Floor,
  type FloorPlan,
  type FloorShape,
  type Id,
  areaAt,
  floorOf,
  positionIn,
} from '../../model'
import type { Position } from '../../fields'

/** An entry that stands somewhere on a floor plan. */
export interface PlacedEntry {
  entry: Entry
  at: Position
  floor: Floor
  /** The room in which it stands; null for none. */
  area(): FloorShape | null
}

/** Of what a page lists so many at most are looked for on a plan. */
export const MOST_LISTED = 60

/** Where a position comes to on a plan; found out once for each. */
class PlanPosition {
  readonly floor: Floor | null
  private found: FloorShape | null | undefined

  constructor(
    plan: FloorPlan,
    private readonly at: Position,
  ) {
    this.floor = floorOf(plan, at)
  }

  /** The room. */
  get area(): FloorShape | null {
    if (this.found === undefined) this.found = this.floor && areaAt(this.floor, this.at)
    return this.found
  }
}

const PLACES = new WeakMap<FloorPlan, WeakMap<Position, PlanPosition>>()

function placeOf(plan: FloorPlan, at: Position): PlanPosition {
  let places = PLACES.get(plan)
  if (!places) PLACES.set(plan, (places = new WeakMap()))
  let place = places.get(at)
  if (!place) places.set(at, (place = new PlanPosition(plan, at)))
  return place
}

/** The field that says where entries of a type stand: the one asked for, else its first position. */
export function positionField(catalogue: Catalogue, type: Id, asked: Id | null): Id | null {
  const fields = catalogue.types.get(type)?.fields.filter((f) => f.kind === 'position') ?? []
  return (asked ? fields.find((f) => f.id === asked) : fields[0])?.id ?? null
}

/** Where an entry stands; null where it does not say so. */
export function standingOf(entry: Entry, asked: Id | null, plan: FloorPlan, catalogue: Catalogue): PlacedEntry | null {
  const field = positionField(catalogue, entry.type, asked)
  const at = field && positionIn(entry.fields[field])
  const place = at ? placeOf(plan, at) : null
  return at && place?.floor ? { entry, at, floor: place.floor, area: () => place.area } : null
}

/** Entries of the same type nearest to one, on its floor. */
export function neighboursOf(
  of: PlacedEntry,
  asked: Id | null,
  most: number,
  plan: FloorPlan,
  scene: Scene,
): PlacedEntry[] {
  const { catalogue } = scene
  const { type, id } = of.entry
  const field = positionField(catalogue, type, asked)
  // Read wherever it may be shown, so that it is known to be.
  catalogue.entriesOfType(type)
  if (!field) return []
  const near = spotsOf(catalogue, type, field).nearest(
    of.at,
    most,
    (at, other) => other !== id && placeOf(plan, at).floor === of.floor,
  )
  return near.flatMap((other) => standingOf(catalogue.entries.get(other)!, asked, plan, catalogue) ?? [])
}

/** Those of what the page lists that stand somewhere, in its order. */
export function listedStanding(asked: Id | null, plan: FloorPlan, { catalogue, page }: Scene): PlacedEntry[] {
  const found: PlacedEntry[] = []
  for (const entry of catalogue.listing(page)) {
    const standing = standingOf(entry, asked, plan, catalogue)
    if (standing) found.push(standing)
    if (found.length === MOST_LISTED) break
  }
  return found
}
