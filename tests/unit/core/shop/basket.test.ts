import fc from 'fast-check'
import {
  type Basket,
  EMPTY_BASKET,
  type Goods,
  basketShape,
  caughtUp,
  countIn,
  looked,
  merged,
  putBack,
  putIn,
  quantityOf,
  setCount,
  takeOut,
} from '#core/shop'
import { refuse } from '#core/shape'

/** A basket: what is put in, had more or fewer of, taken out and put back; against a list that a person would keep. */

const goods = (entry: string, more: Partial<Goods> = {}): Goods => ({
  sku: entry,
  entry,
  offer: null,
  type: 'goods',
  title: entry,
  label: '',
  each: 500,
  left: null,
  most: 10,
  tax: 'full',
  delivers: true,
  on: '',
  ...more,
})
let made = 0
const fresh = () => `l${++made}`
const counts = (basket: Basket) => Object.fromEntries(basket.lines.map((l) => [l.entry, l.count]))

test('the same thing stands on one line, and never more of it than there is', () => {
  const mug = goods('mug', { left: 3 })
  let basket = putIn(EMPTY_BASKET, mug, 2, fresh)
  basket = putIn(basket, mug, 5, fresh)
  basket = putIn(basket, goods('mug', { offer: 'large', left: 0 }), 1, fresh)
  expect(basket.lines).toMatchObject([{ entry: 'mug', offer: null, count: 3, seen: 500 }])
  // What there is less of now is not taken out by putting in more.
  expect(putIn(basket, { ...mug, left: 1 }, 1, fresh).lines[0]!.count).toBe(3)
})

test('what was taken out last can be put back where it stood', () => {
  let basket = ['a', 'b', 'c'].reduce((b, id) => putIn(b, goods(id), 1, fresh), EMPTY_BASKET)
  const whole = basket
  basket = setCount(basket, whole.lines[1]!.id, 0)
  expect(counts(basket)).toEqual({ a: 1, c: 1 })
  expect(putBack(basket)).toEqual(whole)
  // What was put in again meanwhile stays as it is.
  expect(counts(putBack({ ...putIn(basket, goods('b'), 4, fresh), removed: basket.removed }))).toEqual({
    a: 1,
    b: 4,
    c: 1,
  })
  expect(putBack(EMPTY_BASKET)).toBe(EMPTY_BASKET)
})

test('a basket says what changed since it was seen, and stays so until it was', () => {
  const basket = ['gone', 'none', 'fewer', 'dear', 'same'].reduce(
    (b, id) => putIn(b, goods(id), 4, fresh),
    EMPTY_BASKET,
  )
  const now: Record<string, Goods | null> = {
    gone: null,
    none: goods('none', { left: 0 }),
    fewer: goods('fewer', { left: 2 }),
    dear: goods('dear', { each: 700 }),
    same: goods('same'),
  }
  const seen = looked(basket, (entry) => now[entry]!)
  expect(seen.map((l) => [l.count, ...l.changes])).toEqual([
    [0, 'gone'],
    [0, 'none-left'],
    [2, 'fewer'],
    [4, 'price'],
    [4],
  ])
  const next = caughtUp(basket, seen)
  expect(next.lines.map((l) => [l.count, l.seen])).toEqual([
    [4, 500],
    [4, 500],
    [2, 500],
    [4, 700],
    [4, 500],
  ])
  expect(
    caughtUp(
      next,
      looked(next, (entry) => now[entry]!),
    ),
  ).toBe(next)
})

test('two baskets become one with the larger number of each', () => {
  const mine = putIn(putIn(EMPTY_BASKET, goods('a'), 1, fresh), goods('b'), 3, fresh)
  const other = putIn(putIn(EMPTY_BASKET, goods('b'), 2, fresh), goods('c'), 1, fresh)
  expect(counts(merged(mine, other))).toEqual({ a: 1, b: 3, c: 1 })
})

test('only whole numbers that somebody may want are quantities', () => {
  for (const no of ['-1', '0', '0.5', '1e9', '1e3', '', ' ', 'two', '1000', '99999', '１', undefined])
    expect(quantityOf(no)).toBeNull()
  expect([quantityOf(' 7 '), quantityOf('0', 0), quantityOf('999')]).toEqual([7, 0, 999])
})

test('whatever is done to it in whatever turn, it is what a list of numbers would be, and can be stored', () => {
  const doing = fc.array(
    fc.record({
      does: fc.constantFrom('put', 'set', 'out', 'back'),
      entry: fc.constantFrom('a', 'b', 'c', 'd'),
      count: fc.integer({ min: 0, max: 12 }),
    }),
    { maxLength: 60 },
  )
  fc.assert(
    fc.property(doing, (steps) => {
      let basket = EMPTY_BASKET
      const twin = new Map<string, number>()
      let out: [string, number][] = []
      for (const { does, entry, count } of steps) {
        const line = basket.lines.find((l) => l.entry === entry)
        const drop = () => {
          if (!twin.has(entry)) return
          out = [[entry, twin.get(entry)!]]
          twin.delete(entry)
        }
        if (does === 'put') {
          basket = putIn(basket, goods(entry), count, fresh)
          if (count > 0) {
            // To ask for more never takes any away, even where more are wanted than there are.
            const had = twin.get(entry) ?? 0
            twin.set(entry, Math.max(had, Math.min(had + count, 10)))
            out = []
          } else if (twin.has(entry)) out = []
        } else if (does === 'back') {
          basket = putBack(basket)
          for (const [back, n] of out) if (!twin.has(back)) twin.set(back, n)
          out = []
        } else if (line) {
          basket = does === 'out' ? takeOut(basket, line.id) : setCount(basket, line.id, count)
          if (does === 'out' || count === 0) drop()
          else twin.set(entry, count)
        }
        expect(counts(basket)).toEqual(Object.fromEntries(twin))
        expect(refuse(basketShape, basket)).toBeNull()
        expect(countIn(basket)).toBe([...twin.values()].reduce((a, b) => a + b, 0))
      }
    }),
  )
})
