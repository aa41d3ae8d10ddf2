import fc from 'fast-check'
import { readFloorPlan, writeFloorPlan } from '#core/formats'
import { type FloorPlan, MOST_SHAPES, floorPlanShape } from '#core/model'
import { refuse } from '#core/shape'

const feature = (geometry: unknown, properties: unknown = {}) => ({ type: 'Feature', properties, geometry })
const all = (...features: unknown[]) => ({ type: 'FeatureCollection', features })
const RING = [
  [0, 0],
  [4, 0],
  [4, 4],
  [0, 0],
]
const planOf = (json: unknown, named?: (name: string) => string | null): FloorPlan => {
  const read = readFloorPlan(json, named)
  if ('why' in read) throw new Error(read.why)
  return read.plan
}
const whyNot = (json: unknown): string => {
  const read = readFloorPlan(json)
  return 'why' in read ? read.why : 'it was taken'
}

test('features come to floors by their property, and those without one to the first', () => {
  const plan = planOf(
    all(
      feature({ type: 'LineString', coordinates: RING }),
      feature({ type: 'Polygon', coordinates: [RING] }, { floor: 'Cellar', name: 'Vault' }),
      feature({ type: 'Point', coordinates: [1, 2, 300] }, { level: 2, name: 'Door' }),
      feature(null),
    ),
  )
  expect(plan.floors.map((f) => [f.id, f.name, f.shapes.map((s) => s.kind)])).toEqual([
    ['cellar', 'Cellar', ['line', 'area']],
    ['2', '2', ['spot']],
  ])
  expect(plan.floors[1]!.shapes[0]!.paths).toEqual([[[1, 2]]])
})

test('every geometry of RFC 7946 is read, by itself too', () => {
  const several = { type: 'MultiPolygon', coordinates: [[RING], [RING, RING]] }
  const gathered = {
    type: 'GeometryCollection',
    geometries: [
      several,
      { type: 'MultiPoint', coordinates: [[1, 1]] },
      { type: 'MultiLineString', coordinates: [RING] },
    ],
  }
  const { floors } = planOf(gathered)
  expect(floors[0]!.shapes.map((s) => [s.kind, s.paths.length])).toEqual([
    ['area', 3],
    ['spot', 1],
    ['line', 1],
  ])
})

test('a room is joined with the term that it names, else with the one that is called so', () => {
  const polygon = { type: 'Polygon', coordinates: [RING] }
  const { floors } = planOf(
    all(feature(polygon, { name: 'East', term: 'said' }), feature(polygon, { name: 'West' }), feature(polygon)),
    (name) => (name === 'West' ? 'west' : null),
  )
  expect(floors[0]!.shapes.map((s) => s.term)).toEqual(['said', 'west', undefined])
})

test.each<[string, unknown]>([
  ['nothing', null],
  ['a list', []],
  ['a kind that is none', { type: 'Cloud', coordinates: [] }],
  ['coordinates of words', all(feature({ type: 'Point', coordinates: ['a', 'b'] }))],
  ['a polygon without rings', all(feature({ type: 'Polygon', coordinates: [] }))],
  ['features that are none', all(7)],
  ['nothing drawn', all()],
  ['too many', all(...Array.from({ length: MOST_SHAPES + 1 }, () => feature({ type: 'Point', coordinates: [0, 0] })))],
  ['too many points', all(feature({ type: 'LineString', coordinates: Array.from({ length: 30_000 }, () => [0, 0]) }))],
  ['endless numbers', all(feature({ type: 'Point', coordinates: [1e300, 0] }))],
  [
    'geometries in geometries',
    Array.from({ length: 9 }).reduce<unknown>((g) => ({ type: 'GeometryCollection', geometries: [g] }), {}),
  ],
])('%s is refused with a reason', (_, json) => expect(whyNot(json)).toMatch(/[a-z]/))

const coordinate = fc.integer({ min: -50, max: 50 })
const point = fc.tuple(coordinate, coordinate)
const closedRing = fc.array(point, { minLength: 3, maxLength: 6 }).map((ring) => [...ring, ring[0]!])
const shape = fc.oneof(
  fc.record({ kind: fc.constant('area' as const), paths: fc.array(closedRing, { minLength: 1, maxLength: 3 }) }),
  fc.record({
    kind: fc.constant('line' as const),
    paths: fc.array(fc.array(point, { minLength: 2, maxLength: 5 }), { minLength: 1, maxLength: 3 }),
  }),
  fc.record({ kind: fc.constant('spot' as const), paths: fc.array(fc.tuple(point), { minLength: 1, maxLength: 3 }) }),
)
const named = fc
  .tuple(shape, fc.constantFrom('', 'Hall', 'Vault'), fc.constantFrom(undefined, 'east'))
  .map(([s, name, term]) => ({ ...s, name, ...(term && { term }) }))

/** Rings of an area go out in the order and the winding of the format: here as what they enclose. */
function enclosed(plan: FloorPlan): unknown {
  const text = (ring: readonly unknown[]) => JSON.stringify(ring)
  const either = (ring: readonly unknown[]) => [text(ring), text(ring.toReversed())].sort()[0]!
  const floors = plan.floors.map((floor) => ({
    ...floor,
    shapes: floor.shapes.map((s) => (s.kind === 'area' ? { ...s, paths: s.paths.map(either).sort() } : s)),
  }))
  return { ...plan, floors }
}

test('what is written is read as it was', () => {
  fc.assert(
    fc.property(fc.array(fc.array(named, { minLength: 1, maxLength: 4 }), { minLength: 1, maxLength: 3 }), (floors) => {
      const plan = {
        floors: floors.map((shapes, i) => ({ id: `floor-${i}`, name: `Floor ${i}`, shapes })),
      } as FloorPlan
      expect(refuse(floorPlanShape, plan)).toBeNull()
      expect(enclosed(planOf(JSON.parse(JSON.stringify(writeFloorPlan(plan)))))).toEqual(enclosed(plan))
    }),
  )
})

test('one thing is written as one, several as several, and rings as RFC 7946 winds them', () => {
  const square = (from: number, to: number) => [
    [from, from],
    [from, to],
    [to, to],
    [to, from],
    [from, from],
  ]
  const geometryOf = (kind: string, paths: number[][][]) => {
    const plan = { floors: [{ id: 'f', name: 'F', shapes: [{ kind, name: 'S', paths }] }] } as unknown as FloorPlan
    return (writeFloorPlan(plan) as { features: { geometry: { type: string; coordinates: unknown } }[] }).features[0]!
      .geometry
  }
  expect(geometryOf('spot', [[[1, 2]]])).toEqual({ type: 'Point', coordinates: [1, 2] })
  expect(geometryOf('spot', [[[1, 2]], [[3, 4]]]).type).toBe('MultiPoint')
  expect(geometryOf('line', [square(0, 2)]).type).toBe('LineString')
  expect(geometryOf('line', [square(0, 2), square(3, 4)]).type).toBe('MultiLineString')
  const [hall, yard, shed, gate] = [square(0, 10), square(2, 8), square(4, 6), square(20, 30)]
  // A shed in the yard of a hall is an area again; the gate stands beside them all.
  expect(geometryOf('area', [yard, gate, hall, shed])).toEqual({
    type: 'MultiPolygon',
    coordinates: [[gate.toReversed()], [hall.toReversed(), yard], [shed.toReversed()]],
  })
  expect(geometryOf('area', [hall, yard])).toEqual({ type: 'Polygon', coordinates: [hall.toReversed(), yard] })
})
