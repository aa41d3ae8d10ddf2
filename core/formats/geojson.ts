import { KEY, isRecord, refuse } from '../shape'
import {
  type Floor,
  type FloorPlan,
  type FloorShape,
  type Id,
  MOST_POINTS,
  MOST_SHAPES,
  type Point,
  floorPlanShape,
  freeId,
  within,
} from '../model'

/**
 * Floor plans as GeoJSON (RFC 7946), read and written. A feature says by its properties on which `floor` it is (or
 * `level`), its `name`, and the `term` whose entries stand in it; those without a floor are on the first.
 */

type Geometry = { type?: unknown; coordinates?: unknown; geometries?: unknown }

const pointOf = (value: unknown): Point | null =>
  Array.isArray(value) && Number.isFinite(value[0]) && Number.isFinite(value[1])
    ? [value[0] as number, value[1] as number]
    : null

/** A list in which each thing can be read; null where it is none. */
function each<T>(value: unknown, read: (thing: unknown) => T | null): T[] | null {
  if (!Array.isArray(value) || value.length === 0) return null
  const found: T[] = []
  for (const thing of value) {
    const one = read(thing)
    if (one === null) return null
    found.push(one)
  }
  return found
}

const line = (value: unknown): Point[] | null => each(value, pointOf)
const lines = (value: unknown): Point[][] | null => each(value, line)
const one = <T>(found: T | null): T[] | null => (found === null ? null : [found])

/** What each kind of geometry comes to; null for one whose coordinates cannot be read. */
const READ: Readonly<Record<string, [FloorShape['kind'], (coordinates: unknown) => Point[][] | null]>> = {
  Point: ['spot', (c) => one(one(pointOf(c)))],
  MultiPoint: ['spot', (c) => each(c, (p) => one(pointOf(p)))],
  LineString: ['line', (c) => one(line(c))],
  MultiLineString: ['line', lines],
  Polygon: ['area', lines],
  MultiPolygon: ['area', (c) => each(c, lines)?.flat() ?? null],
}

type Read = Pick<FloorShape, 'kind' | 'paths'>

function readGeometry(geometry: Geometry, depth = 0): Read[] | null {
  if (geometry.type === 'GeometryCollection' && depth < 4) {
    return each(geometry.geometries, (g) => (isRecord(g) ? readGeometry(g, depth + 1) : null))?.flat() ?? null
  }
  const how = typeof geometry.type === 'string' && Object.hasOwn(READ, geometry.type) ? READ[geometry.type]! : null
  const paths = how?.[1](geometry.coordinates) ?? null
  return how && paths ? [{ kind: how[0], paths }] : null
}

const words = (value: unknown, most: number): string =>
  typeof value === 'string' || typeof value === 'number' ? String(value).trim().slice(0, most) : ''

/** What was read of a file, or the end of a sentence that says why nothing was. */
export type PlanRead = { plan: FloorPlan } | { why: string }

/** Reads a floor plan; `termNamed` gives the term that an area without one is called after. */
export function readFloorPlan(json: unknown, termNamed: (name: string) => Id | null = () => null): PlanRead {
  if (!isRecord(json)) return { why: 'it is no GeoJSON' }
  const features = json.type === 'FeatureCollection' ? json.features : [json]
  if (!Array.isArray(features) || features.length > MOST_SHAPES)
    return { why: `it has no list of at most ${MOST_SHAPES} features` }
  const floors = new Map<string, Floor>()
  const taken = new Set<Id>()
  for (const [i, feature] of features.entries()) {
    const isFeature = isRecord(feature) && feature.type === 'Feature'
    const geometry = isFeature ? feature.geometry : feature
    if (isFeature && geometry === null) continue
    const read = isRecord(geometry) ? readGeometry(geometry) : null
    if (!read) return { why: `feature ${i + 1} has no geometry that can be read` }
    const said = isFeature && isRecord(feature.properties) ? feature.properties : {}
    const floor = words(said.floor ?? said.level, 120)
    const name = words(said.name, 200)
    const term = typeof said.term === 'string' && KEY.test(said.term) ? said.term : name ? termNamed(name) : null
    if (!floors.has(floor)) {
      const id = freeId(floor || 'floor', taken)
      taken.add(id)
      floors.set(floor, { id, name: floor, shapes: [] })
    }
    for (const shape of read) floors.get(floor)!.shapes.push({ ...shape, name, ...(term && { term }) })
  }
  return judgedPlan(gathered([...floors.values()]))
}

/** What stands on no floor is on the first that there is. */
function gathered(floors: Floor[]): Floor[] {
  const nowhere = floors.find((f) => f.name === '')
  const first = floors.find((f) => f !== nowhere)
  if (!nowhere || !first) return floors
  return floors
    .filter((f) => f !== nowhere)
    .map((f) => (f === first ? { ...f, shapes: [...nowhere.shapes, ...f.shapes] } : f))
}

function judgedPlan(floors: Floor[]): PlanRead {
  if (floors.length === 0) return { why: 'nothing is drawn in it' }
  const points = floors.flatMap((f) => f.shapes).reduce((n, s) => n + s.paths.reduce((m, p) => m + p.length, 0), 0)
  if (points > MOST_POINTS)
    return { why: `it has ${points} points, and at most ${MOST_POINTS} are taken: make it simpler` }
  const why = refuse(floorPlanShape, { floors })
  return why === null ? { plan: { floors } } : { why }
}

const closed = (path: Point[]): Point[] => {
  const [first, last] = [path[0]!, path.at(-1)!]
  return first[0] === last[0] && first[1] === last[1] ? path : [...path, first]
}

/** Twice the signed area of a ring: above zero where it runs counterclockwise. */
const signedArea = (ring: readonly Point[]): number =>
  ring.reduce((sum, [x, y], i) => {
    const [nextX, nextY] = ring[(i + 1) % ring.length]!
    return sum + x * nextY - nextX * y
  }, 0)

/** Whether one ring lies in another, told by the first of its points that is no corner of the other. */
function liesIn(ring: Point[], other: Point[]): boolean {
  const point = ring.find(([x, y]) => !other.some(([ox, oy]) => ox === x && oy === y))
  return point !== undefined && within({ x: point[0], y: point[1] }, { kind: 'area', name: '', paths: [other] })
}

const wound = (ring: Point[], counterclockwise: boolean): Point[] =>
  closed(signedArea(ring) > 0 === counterclockwise ? ring : ring.toReversed())

/**
 * The rings of an area as polygons (RFC 7946, 3.1.6): a ring that lies in an odd number of others is a hole of the
 * nearest of them. Rings are closed, outer ones run counterclockwise, holes clockwise.
 */
function polygonsOf(rings: Point[][]): Point[][][] {
  const around = rings.map((ring) => rings.filter((other) => other !== ring && liesIn(ring, other)))
  const depthOf = new Map(rings.map((ring, i) => [ring, around[i]!.length]))
  const polygons = new Map<Point[], Point[][]>()
  rings.forEach((ring) => {
    if (depthOf.get(ring)! % 2 === 0) polygons.set(ring, [wound(ring, true)])
  })
  rings.forEach((ring, i) => {
    if (polygons.has(ring)) return
    const outer = around[i]!.filter((r) => polygons.has(r)).sort((a, b) => depthOf.get(b)! - depthOf.get(a)!)[0]
    // Rings that cross each other may have no outer one: then it stands for itself.
    if (outer) polygons.get(outer)!.push(wound(ring, false))
    else polygons.set(ring, [wound(ring, true)])
  })
  return [...polygons.values()]
}

/** A geometry of one thing, or of several of its type. */
const geometry = (type: string, things: readonly unknown[]): { type: string; coordinates: unknown } =>
  things.length === 1 ? { type, coordinates: things[0] } : { type: `Multi${type}`, coordinates: things }

function geometryOf({ kind, paths }: FloorShape): { type: string; coordinates: unknown } {
  if (kind === 'spot')
    return geometry(
      'Point',
      paths.map((p) => p[0]),
    )
  return kind === 'line' ? geometry('LineString', paths) : geometry('Polygon', polygonsOf(paths))
}

/** A floor plan as a feature collection. */
export function writeFloorPlan({ floors }: FloorPlan): object {
  const features = floors.flatMap(({ name: floor, shapes }) =>
    shapes.map((shape) => ({
      type: 'Feature',
      properties: {
        ...(floor && { floor }),
        ...(shape.name && { name: shape.name }),
        ...(shape.term && { term: shape.term }),
      },
      geometry: geometryOf(shape),
    })),
  )
  return { type: 'FeatureCollection', features }
}
