import fc from 'fast-check'
import { PLAIN_SHOP, type ShopSettings, allotted, amountOf, minorOf, shareOf } from '#core/selling'
import { type DiscountCode, type Priced, discounts, totalsOf } from '#core/shop'

/** What a basket comes to, against an obvious twin that counts in fractions. */

const shop = (more: Partial<ShopSettings> = {}): ShopSettings => ({
  ...PLAIN_SHOP,
  taxes: [
    { id: 'full', label: 'VAT', rate: 20, elsewhere: [{ country: 'DE', rate: 19 }] },
    { id: 'books', label: 'VAT, books', rate: 0, elsewhere: [{ country: 'DE', rate: 7 }] },
  ],
  ...more,
})
const code = (more: Partial<DiscountCode> = {}): DiscountCode => ({
  format: 1,
  code: 'WIND10',
  kind: 'percent',
  value: 10,
  least: 0,
  from: '',
  until: '',
  most: null,
  types: [],
  on: true,
  ...more,
})
const line = (id: string, each: number, count = 1, tax = 'full', type = 'goods'): Priced => ({
  id,
  type,
  count,
  each,
  tax,
})
const post = { id: 'post', label: 'By post', about: '', price: 3.5, freeFrom: 50, countries: [], collected: false }
const around = { currency: 'GBP', country: 'GB', code: null, way: null }

test('money is read as it is typed, in the digits of its currency', () => {
  expect([1.005, 0, 12, 19.99, 1e-9].map((n) => minorOf(n, 'GBP'))).toEqual([101, 0, 1200, 1999, 0])
  expect([minorOf(1200, 'JPY'), minorOf(1.2345, 'KWD')]).toEqual([1200, 1235])
  for (const none of [-1, NaN, Infinity, '12', null, undefined, 1e15]) expect(minorOf(none, 'GBP')).toBeNull()
  expect(amountOf(1999, 'GBP')).toBe(19.99)
})

test('a share is rounded half up, once, however large the numbers are', () => {
  fc.assert(
    fc.property(fc.nat(1e12), fc.nat(20_000), fc.integer({ min: 1, max: 20_000 }), (amount, part, whole) => {
      const [product, by] = [BigInt(amount) * BigInt(part), BigInt(whole)]
      const up = (product % by) * 2n >= by ? 1n : 0n
      expect(shareOf(amount, part, whole)).toBe(Number(product / by + up))
    }),
  )
})

test('parts of an amount are whole, add up to it, and none is off by a whole unit', () => {
  fc.assert(
    fc.property(fc.nat(1e9), fc.array(fc.nat(1e9), { minLength: 1, maxLength: 30 }), (amount, weights) => {
      const whole = weights.reduce((a, b) => a + b, 0)
      fc.pre(whole > 0)
      const parts = allotted(amount, weights)
      expect(parts.reduce((a, b) => a + b, 0)).toBe(amount)
      parts.forEach((part, i) => expect(Math.abs(part - (amount * weights[i]!) / whole)).toBeLessThan(1 + 1e-3))
    }),
  )
})

test('taxes stand in prices or come on top, by the rates of the country', () => {
  const lines = [line('mug', 1250, 2), line('book', 1800, 1, 'books')]
  const inside = totalsOf(lines, shop(), { ...around, way: post })
  expect(inside).toMatchObject({ goods: 4300, discount: 0, delivery: 350, total: 4650 })
  expect(inside.taxes).toEqual([{ label: 'VAT', rate: 2000, on: 2375, amount: 475 }])
  const there = totalsOf(lines, shop(), { ...around, country: 'DE' })
  expect(there.taxes.map((t) => [t.rate, t.amount])).toEqual([
    [1900, 399],
    [700, 118],
  ])
  const onTop = totalsOf(lines, shop({ included: false }), around)
  expect([onTop.total, onTop.taxes[0]!.amount]).toEqual([4800, 500])
  expect(totalsOf([line('much', 5000)], shop(), { ...around, way: post }).delivery).toBe(0)
  expect(totalsOf([line('much', 4999)], shop(), { ...around, way: post }).delivery).toBe(350)
})

test('a code takes off what it says, of what it is for, and says why where it takes nothing', () => {
  const lines = [line('mug', 1250, 2), line('talk', 900, 1, 'full', 'talk')]
  const off = (c: DiscountCode) => discounts(c, lines, 'GBP')
  expect(off(code())).toEqual({ off: [250, 90], why: null })
  expect(off(code({ types: ['talk'], kind: 'amount', value: 20 }))).toEqual({ off: [0, 900], why: null })
  expect(off(code({ least: 35 })).why).toBe('little')
  expect(off(code({ types: ['book'] })).why).toBe('none')
})

/** Counts in fractions, line by line, and rounds where the rules say so. */
function twin(lines: Priced[], { included, taxes }: ShopSettings, off: DiscountCode | null): number {
  const sums = lines.map((l) => l.each * l.count)
  const goods = sums.reduce((a, b) => a + b, 0)
  const cut = off && goods > 0 ? Math.floor((goods * off.value) / 100 + 0.5) : 0
  if (included) return goods - cut
  const parts = allotted(cut, sums)
  const rates = new Map<string, number>()
  lines.forEach((l, i) => rates.set(l.tax, (rates.get(l.tax) ?? 0) + sums[i]! - parts[i]!))
  let added = 0
  for (const [tax, amount] of rates) added += Math.floor((amount * taxes.find((t) => t.id === tax)!.rate) / 100 + 0.5)
  return goods - cut + added
}

test('a total is what an obvious twin counts, and its parts add up to it', () => {
  const lines = fc.array(
    fc.record({
      id: fc.constantFrom('a', 'b', 'c'),
      type: fc.constant('goods'),
      count: fc.integer({ min: 1, max: 999 }),
      each: fc.nat(100_000),
      tax: fc.constantFrom('full', 'books'),
    }),
    { maxLength: 20 },
  )
  fc.assert(
    fc.property(lines, fc.boolean(), fc.option(fc.integer({ min: 1, max: 100 })), (some, included, percent) => {
      const rules = shop({ included })
      const off = percent === null ? null : code({ value: percent })
      const totals = totalsOf(some, rules, { ...around, code: off })
      expect(totals.total).toBe(twin(some, rules, off))
      const added = included ? 0 : totals.taxes.reduce((sum, t) => sum + t.amount, 0)
      expect(totals.goods - totals.discount + (totals.delivery ?? 0) + added).toBe(totals.total)
      expect(totals.total).toBeGreaterThanOrEqual(0)
      for (const t of totals.taxes) expect(t.on).toBeGreaterThanOrEqual(0)
    }),
  )
})

/** A fraction as a whole number, halves up: the rule by which every part of a sum is rounded, once. */
const rounded = (above: bigint, below: bigint): number => Number((2n * above + below) / (2n * below))

test('in currencies of no, two and three digits, by rates with decimals, each tax is the exact share, rounded once', () => {
  const digits = { JPY: 0, GBP: 2, KWD: 3 } as const
  const lines = fc.array(fc.record({ count: fc.integer({ min: 1, max: 99 }), each: fc.nat(10_000_000) }), {
    maxLength: 8,
  })
  const money = fc.constantFrom<keyof typeof digits>('JPY', 'GBP', 'KWD')
  // In thousandths of a percent: 8.875% is 8875.
  const rates = fc.tuple(fc.integer({ min: 1, max: 40_000 }), fc.integer({ min: 1, max: 40_000 }))
  fc.assert(
    fc.property(
      lines,
      lines,
      money,
      rates,
      fc.boolean(),
      fc.nat(99_999),
      (full, books, currency, [a, b], included, typed) => {
        fc.pre(a !== b)
        const price = typed / 10 ** digits[currency]
        const rules = shop({
          included,
          taxes: [
            { id: 'full', label: 'A', rate: a / 1000, elsewhere: [] },
            { id: 'books', label: 'B', rate: 50, elsewhere: [{ country: 'GB', rate: b / 1000 }] },
          ],
        })
        const all = [
          ...full.map((l, i) => line(`f${i}`, l.each, l.count, 'full')),
          ...books.map((l, i) => line(`b${i}`, l.each, l.count, 'books')),
        ]
        const way = { ...post, price, freeFrom: null }
        const counted = totalsOf(all, rules, { currency, country: 'GB', code: null, way })
        const sum = (some: typeof full) => some.reduce((n, l) => n + l.each * l.count, 0)
        const taxes = [
          { label: 'A', rate: a, amount: sum(full) + typed },
          { label: 'B', rate: b, amount: sum(books) },
        ].map(({ label, rate, amount }) => {
          const tax = rounded(BigInt(amount) * BigInt(rate), 100_000n + (included ? BigInt(rate) : 0n))
          return [label, rate / 10, amount === 0 ? 0 : tax] as const
        })
        expect(counted.delivery).toBe(typed)
        for (const [label, rate, tax] of taxes) {
          const told = counted.taxes.find((t) => t.label === label)
          expect([label, told?.amount ?? 0]).toEqual([label, tax])
          if (told) expect(told.rate).toBeCloseTo(rate, 9)
        }
        const added = included ? 0 : taxes.reduce((n, [, , tax]) => n + tax, 0)
        expect(counted.total).toBe(sum(full) + sum(books) + typed + added)
      },
    ),
  )
})
