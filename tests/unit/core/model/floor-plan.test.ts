import fc from 'fast-check'
import { refuse } from '#core/shape'
import { type FloorPlan, type FloorShape, MOST_POINTS, areaAt, floorOf, floorPlanShape, within } from '#core/model'

const square = (name: string, x: number, y: number, side: number): FloorShape => ({
  kind: 'area',
  name,
  paths: [
    [
      [x, y],
      [x + side, y],
      [x + side, y + side],
      [x, y + side],
    ],
  ],
})
const PLAN: FloorPlan = {
  floors: [
    { id: 'low', name: 'Below', shapes: [square('Hall', 0, 0, 10), square('Closet', 2, 2, 2)] },
    { id: 'high', name: 'Above', shapes: [square('Loft', 20, 0, 5)] },
  ],
}

test('a point is in the smallest area around it, and on the floor that it names, or else has an area there', () => {
  expect(areaAt(PLAN.floors[0]!, { x: 3, y: 3 })?.name).toBe('Closet')
  expect(areaAt(PLAN.floors[0]!, { x: 8, y: 8 })?.name).toBe('Hall')
  expect(areaAt(PLAN.floors[0]!, { x: 11, y: 8 })).toBeNull()
  expect(floorOf(PLAN, { x: 21, y: 1 })?.id).toBe('high')
  expect(floorOf(PLAN, { x: 21, y: 1, floor: 'low' })?.id).toBe('low')
  expect(floorOf(PLAN, { x: 99, y: 99, floor: 'gone' })?.id).toBe('low')
  expect(floorOf({ floors: [] }, { x: 1, y: 1 })).toBeNull()
})

test('a hole is not in the area around it', () => {
  const holed: FloorShape = {
    ...square('Ring', 0, 0, 10),
    paths: [square('', 0, 0, 10).paths[0]!, square('', 4, 4, 2).paths[0]!],
  }
  expect(within({ x: 5, y: 5 }, holed)).toBe(false)
  expect(within({ x: 1, y: 5 }, holed)).toBe(true)
})

test('within a rectangle is where both numbers lie between its sides', () => {
  fc.assert(
    fc.property(fc.double({ min: -5, max: 15, noNaN: true }), fc.double({ min: -5, max: 15, noNaN: true }), (x, y) => {
      fc.pre(![0, 10].includes(x) && ![0, 10].includes(y))
      expect(within({ x, y }, square('', 0, 0, 10))).toBe(x > 0 && x < 10 && y > 0 && y < 10)
    }),
  )
})

describe('what is no floor plan is refused', () => {
  const shape = PLAN.floors[0]!.shapes[0]!
  const many = Array.from({ length: MOST_POINTS + 1 }, (): [number, number] => [0, 0])
  test.each<[string, unknown]>([
    ['a text', 'plan'],
    ['no floors', {}],
    ['too many points', { floors: [{ id: 'a', name: '', shapes: [{ ...shape, paths: [many] }] }] }],
    ['two floors of one id', { floors: [PLAN.floors[0], PLAN.floors[0]] }],
    ['a point of three', { floors: [{ id: 'a', name: '', shapes: [{ ...shape, paths: [[[0, 0, 0]]] }] }] }],
    ['a point of words', { floors: [{ id: 'a', name: '', shapes: [{ ...shape, paths: [[['0', 0]]] }] }] }],
    ['an unknown kind', { floors: [{ id: 'a', name: '', shapes: [{ ...shape, kind: 'cloud' }] }] }],
    ['more than it may hold', { floors: [], more: 1 }],
  ])('%s', (_, plan) => expect(refuse(floorPlanShape, plan)).not.toBeNull())

  test('and one that is, is not', () => expect(refuse(floorPlanShape, PLAN)).toBeNull())
})
