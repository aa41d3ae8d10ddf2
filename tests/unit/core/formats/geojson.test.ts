import fc from 'fast-check'
import { readFloorPlan, writeFloorPlan } from '#core/formats'
import { type FloorPlan, MOST_SHAPES, floorPlanShape } from '#core/site'
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

test('what is written is read as it was', () => {
  fc.assert(
    fc.property(fc.array(fc.array(named, { minLength: 1, maxLength: 4 }), { minLength: 1, maxLength: 3 }), (floors) => {
      const plan = {
        floors: floors.map((shapes, i) => ({ id: `floor-${i}`, name: `Floor ${i}`, shapes })),
      } as FloorPlan
      expect(refuse(floorPlanShape, plan)).toBeNull()
      expect(planOf(JSON.parse(JSON.stringify(writeFloorPlan(plan))))).toEqual(plan)
    }),
  )
})
