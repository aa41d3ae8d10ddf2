import { readFloorPlan } from '../../core/formats'
import { type FloorPlan, type Id, boundsOf } from '../../core/model'
import type { Position } from '../../core/fields'
import GEOJSON from './floor-plan.json' with { type: 'json' }

function made(): FloorPlan {
  const read = readFloorPlan(GEOJSON)
  if ('why' in read) throw new Error(`The floor plan of the demo cannot be read: ${read.why}.`)
  return read.plan
}

/** The two floors of the museum. */
export const FLOOR_PLAN: FloorPlan = made()

/** Steps of the sequence that fills a plane most evenly (powers of the plastic number). */
const [ALONG, UP] = [0.7548776662, 0.569840291]

/** A place in a room for one of many, spread so that none stands on another. */
export function positionIn(room: Id, index: number): Position {
  for (const floor of FLOOR_PLAN.floors) {
    const area = floor.shapes.find((shape) => shape.term === room)
    if (!area) continue
    const { left, right, low, high } = boundsOf([area])
    const x = left + (right - left) * (0.12 + 0.76 * ((index * ALONG) % 1))
    const y = low + (high - low) * (0.16 + 0.5 * ((index * UP) % 1))
    return { x: Math.round(x * 10) / 10, y: Math.round(y * 10) / 10, floor: floor.id }
  }
  throw new Error(`The floor plan of the demo has no ${room}.`)
}
