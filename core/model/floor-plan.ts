import { exact, isRecord, judged, key, list, oneOf, optional, text, shapeOf } from '../shape'
import type { Position } from '../fields'
import type { Floor, FloorPlan, FloorShape } from './types'

/** The site's own floor plan: where entries stand that have a position. Units are the plan's own; y grows upwards. */

export const MOST_FLOORS = 40
export const MOST_SHAPES = 2000
export const MOST_POINTS = 20_000

const isPoint = (value: unknown): boolean =>
  Array.isArray(value) && value.length === 2 && value.every((n) => typeof n === 'number' && Math.abs(n) <= 1e9)

const paths = judged((value) =>
  Array.isArray(value) && value.every((path) => Array.isArray(path) && path.length > 0 && path.every(isPoint))
    ? null
    : 'the outlines of a floor are lists of points, each of two numbers',
)

const floorShape = exact({
  id: key(),
  name: text(120),
  shapes: list(
    exact({ kind: oneOf(['area', 'line', 'spot']), name: text(200), term: optional(key()), paths }),
    MOST_SHAPES,
  ),
})

const countPoints = (floors: readonly unknown[]): number => {
  let count = 0
  for (const floor of floors)
    if (isRecord(floor) && Array.isArray(floor.shapes))
      for (const shape of floor.shapes)
        if (isRecord(shape) && Array.isArray(shape.paths))
          for (const path of shape.paths) count += Array.isArray(path) ? path.length : 0
  return count
}

/** The shape of a floor plan. */
export const floorPlanShape = shapeOf<FloorPlan>()(
  exact({ floors: list(floorShape, MOST_FLOORS) }).test({
    name: 'bounded',
    test(value, context) {
      const floors: unknown[] = isRecord(value) && Array.isArray(value.floors) ? value.floors : []
      if (countPoints(floors) > MOST_POINTS)
        return context.createError({ message: `a floor plan has at most ${MOST_POINTS} points` })
      const ids = floors.map((f) => (isRecord(f) ? f.id : ''))
      return new Set(ids).size === ids.length || context.createError({ message: 'two floors have the same id' })
    },
  }),
)

/** Whether a point lies within an area: an odd number of its edges is crossed on the way out. */
export function within({ x, y }: Position, { kind, paths }: FloorShape): boolean {
  if (kind !== 'area') return false
  let inside = false
  for (const ring of paths)
    for (let i = 0, j = ring.length - 1; i < ring.length; j = i++) {
      const [ax, ay] = ring[i]!
      const [bx, by] = ring[j]!
      if (ay > y !== by > y && x < ((bx - ax) * (y - ay)) / (by - ay) + ax) inside = !inside
    }
  return inside
}

/** The named area in which something stands; the smallest, where one lies within another. */
export function areaAt(floor: Floor, position: Position): FloorShape | null {
  const holds = floor.shapes.filter((shape) => shape.name !== '' && within(position, shape))
  return holds.sort((a, b) => extent(boundsOf([a])) - extent(boundsOf([b])))[0] ?? null
}

/** On which floor something stands: on the one it names, else on the first with an area there, else on the first. */
export function floorOf(plan: FloorPlan, position: Position): Floor | null {
  return (
    plan.floors.find((f) => f.id === position.floor) ??
    plan.floors.find((f) => f.shapes.some((shape) => within(position, shape))) ??
    plan.floors[0] ??
    null
  )
}

export interface Bounds {
  left: number
  right: number
  low: number
  high: number
}

const extent = ({ left, right, low, high }: Bounds): number => (right - left) * (high - low)

/** What shapes take up in all. */
export function boundsOf(shapes: readonly FloorShape[]): Bounds {
  const bounds = { left: Infinity, right: -Infinity, low: Infinity, high: -Infinity }
  for (const { paths } of shapes)
    for (const path of paths)
      for (const [x, y] of path) {
        if (x < bounds.left) bounds.left = x
        if (x > bounds.right) bounds.right = x
        if (y < bounds.low) bounds.low = y
        if (y > bounds.high) bounds.high = y
      }
  return bounds.left > bounds.right ? { left: 0, right: 1, low: 0, high: 1 } : bounds
}

/** A stored value as a position; null where it is none. */
export function positionIn(value: unknown): Position | null {
  if (!isRecord(value) || !Number.isFinite(value.x) || !Number.isFinite(value.y)) return null
  return value as unknown as Position
}
