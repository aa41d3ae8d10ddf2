import fc from 'fast-check'
import { makeDemo } from '#demo/index'
import { Catalogue } from '#core/catalogue'
import { PLAIN_SHOP } from '#core/selling'
import type { Site } from '#core/model'
import type { Offer } from '#core/fields'
import {
  type Agreed,
  type Basket,
  EMPTY_BASKET,
  HOLDS,
  ORDER_EVENTS,
  type OrderEvent,
  type OrderState,
  nextState,
  orderShape,
  withoutPerson,
} from '#core/shop'
import { refuse } from '#core/shape'
import { readBasket, writeBasket } from '../../../server/database/baskets'
import { useCode, writeCode } from '../../../server/database/discounts'
import { insertPayment, readOrder, readOrders, readPayments, readStory, takenOf } from '../../../server/database/orders'
import { Baskets, countSaid } from '../../../server/shop/baskets'
import { orderMails } from '../../../server/shop/mails'
import { Orders } from '../../../server/shop/orders'
import type { Notice, PaymentProvider } from '../../../server/shop/payments'
import { Till } from '../../../server/shop/till'
import { freshDatabase } from './database'
import { runs } from '../../runs'

/** Orders and their payments over a real database, against an obvious twin, in whatever turn things happen. */

const { db } = freshDatabase()
const museum = makeDemo()
const TALK = 'winding-for-beginners'
const OFFERS: Offer[] = [
  { id: 'small', label: 'Small', stock: 3, price: 5 },
  { id: 'large', label: 'Large', stock: null, price: 8 },
]
function siteWith(places: number): Site {
  const { site } = museum
  return {
    ...site,
    types: site.types.map((t) => {
      if (t.id !== 'ticket') return t
      const fields = [...t.fields, { id: 'sorts', label: 'Sorts', kind: 'offers' as const }]
      return { ...t, fields, sells: { ...t.sells!, offers: 'sorts' } }
    }),
    entries: site.entries.map((e) => {
      if (e.id === TALK) return { ...e, fields: { ...e.fields, places } }
      return e.id === 'day-ticket' ? { ...e, fields: { ...e.fields, sorts: OFFERS } } : e
    }),
  }
}

let now = Date.parse('2026-11-30T10:00:00Z')
let catalogue: Catalogue
let orders: Orders
let told: string[][] = []
const news: string[] = []
function open(places = 10): void {
  catalogue = new Catalogue(siteWith(places))
  told = []
  orders = new Orders(
    db(),
    'secret',
    {
      catalogue: () => catalogue,
      shop: () => ({ ...PLAIN_SHOP, prefix: 'T-' }),
      changed: (skus) => void told.push([...skus]),
      wake: () => undefined,
      address: (id) => `https://x.example.org/order/${id}`,
      mails: (stored, what) => {
        news.push(`${stored.id} ${what}`)
        return orderMails(stored, what, museum.site.settings, {
          number: 'T-1',
          address: 'https://x.example.org',
          shop: '',
        })
      },
    },
    () => now,
  )
}
const agreed: Agreed = {
  buyer: { name: 'Inez', mail: 'inez@example.org', phone: '' },
  billing: null,
  delivery: null,
  way: null,
  country: 'GB',
  note: '',
  consents: [],
  payment: 'fake',
}
let n = 0
async function basketOf(count: number, entry = TALK, offer: string | null = null, seen = 0): Promise<string> {
  const id = `basket-${++n}`
  const basket: Basket = { ...EMPTY_BASKET, lines: [{ id: 'l', entry, offer, count, seen }] }
  await writeBasket(db(), { id, user: null, basket, at: now, placed: null })
  return id
}
const place = (id: string) => orders.place(id, agreed, null)

beforeEach(async () => {
  for (const table of ['orders', 'baskets', 'discount_codes', 'mails'] as const) await db().deleteFrom(table).execute()
  open()
})

test('a basket is ordered once, however often it is pressed, and is empty then', async () => {
  const id = await basketOf(2, 'day-ticket', 'large', 800)
  const all = await Promise.all([place(id), place(id), place(id)])
  expect(all.map((p) => p.kind)).toEqual(['placed', 'placed', 'placed'])
  const ids = all.map((p) => (p.kind === 'placed' ? p.order.id : 0))
  expect(new Set(ids).size).toBe(1)
  expect((await readBasket(db(), id, 0))!.basket.lines).toEqual([])
  const stored = (await readOrder(db(), ids[0]!))!
  expect(stored.order.totals).toMatchObject({ goods: 1600, total: 1600 })
  expect(refuse(orderShape, stored.order)).toBeNull()
  expect(refuse(orderShape, withoutPerson(stored.order))).toBeNull()
  expect(await place('no-such-basket')).toEqual({ kind: 'empty' })
  now += 60 * 60_000
  expect(await place(id)).toEqual({ kind: 'empty' })
})

test('what costs nothing is paid at once; a number and a link belong to one order', async () => {
  const made = await place(await basketOf(1))
  if (made.kind !== 'placed') throw new Error(made.kind)
  expect(made.order.state).toBe('paid')
  expect(news.at(-1)).toBe(`${made.order.id} paid`)
  const token = orders.token(made.order.id)
  expect((await orders.byToken(token))!.id).toBe(made.order.id)
  for (const forged of [
    '',
    undefined,
    token.slice(0, -1),
    `1${token}`,
    `${(made.order.id + 1).toString(36)}.${token.split('.')[1]}`,
    '0.x',
    'zzzzzzzzz.y',
  ])
    expect(await orders.byToken(forged)).toBeNull()
})

test('nothing is sold that is not there: two hundred at once for the last ten places', async () => {
  open(10)
  const baskets = await Promise.all(Array.from({ length: 200 }, () => basketOf(1)))
  const made = await Promise.all(baskets.map(place))
  expect(made.filter((p) => p.kind === 'placed')).toHaveLength(10)
  const rest = made.filter((p) => p.kind === 'changed')
  expect(rest).toHaveLength(190)
  expect(rest[0]).toMatchObject({ lines: [{ count: 0, changes: ['none-left'] }] })
  expect(await takenOf(db(), TALK)).toBe(10)
})

test('another price than the buyer saw, or fewer than they want, is said before anything is ordered', async () => {
  const dear = await place(await basketOf(1, 'day-ticket', 'large', 700))
  expect(dear).toMatchObject({ kind: 'changed', lines: [{ changes: ['price'] }] })
  const few = await place(await basketOf(9, 'day-ticket', 'small', 500))
  expect(few).toMatchObject({ kind: 'changed', lines: [{ count: 3, changes: ['fewer'] }] })
  expect(await db().selectFrom('orders').selectAll().execute()).toEqual([])
})

test('a code is used as often as it may be, also by many at once', async () => {
  const code = {
    format: 1 as const,
    code: 'WIND10',
    kind: 'percent' as const,
    value: 10,
    least: 0,
    from: '',
    until: '',
    most: 3,
    types: [],
    on: true,
  }
  await writeCode(db(), code)
  const baskets = await Promise.all(Array.from({ length: 8 }, () => basketOf(1, 'day-ticket', 'large', 800)))
  const made = await Promise.all(baskets.map((id) => orders.place(id, agreed, code)))
  expect(made.map((p) => p.kind).sort()).toEqual([...Array<string>(5).fill('code'), ...Array<string>(3).fill('placed')])
  expect(await useCode(db(), { ...code, most: null })).toBe(true)
})

/** A provider in hand: it says what it is told to. */
class Fake implements PaymentProvider {
  readonly id = 'fake'
  readonly label = 'Fake'
  readonly about = ''
  readonly origin = 'https://pay.example.org'
  down = false
  readonly states = new Map<string, 'open' | 'paid' | 'refused'>()
  readonly refunds: string[] = []
  async begin({ id }: { id: string }) {
    if (this.down) throw new Error('down')
    if (!this.states.has(id)) this.states.set(id, 'open')
    return { page: `https://pay.example.org/${id}`, remote: id }
  }
  async state(remote: string) {
    if (this.down) throw new Error('down')
    return this.states.get(remote) ?? 'open'
  }
  async refund(remote: string) {
    if (this.down) throw new Error('down')
    this.refunds.push(remote)
  }
  read(headers: Readonly<Record<string, string>>, body: string): Notice | null {
    return headers.signed === 'yes' ? (JSON.parse(body) as Notice) : null
  }
}
const tillWith = (fake: Fake) =>
  new Till(
    db(),
    orders,
    new Map([['fake', fake]]),
    { back: (id) => `/receipt/${id}`, notify: () => '/notices' },
    () => now,
  )
async function toPay(till: Till, count = 1): Promise<{ id: number; payment: string }> {
  const made = await place(await basketOf(count, 'day-ticket', 'small', 500))
  if (made.kind !== 'placed') throw new Error(made.kind)
  await till.begin(made.order, 'T-1')
  const [payment] = await readPayments(db(), made.order.id)
  return { id: made.order.id, payment: payment!.id }
}
const notice = (payment: string, more: Partial<Notice> = {}): string =>
  JSON.stringify({ payment, state: 'paid', amount: 500, currency: 'GBP', ...more })
const stateOf = async (id: number) => (await readOrder(db(), id))!.state

test('a notice moves an order once; one with a wrong signature, too little money, or about nothing moves none', async () => {
  const till = tillWith(new Fake())
  const { id, payment } = await toPay(till)
  expect(await till.hear('fake', {}, notice(payment))).toBe(false)
  expect(await till.hear('other', { signed: 'yes' }, notice(payment))).toBe(false)
  await till.hear('fake', { signed: 'yes' }, notice(payment, { amount: 499 }))
  await till.hear('fake', { signed: 'yes' }, notice('nothing'))
  expect(await stateOf(id)).toBe('placed')
  for (let i = 0; i < 3; i++) expect(await till.hear('fake', { signed: 'yes' }, notice(payment))).toBe(true)
  expect(await stateOf(id)).toBe('paid')
  // Whoever looks after the shop is told of the amount that differs.
  expect((await readStory(db(), id)).map((s) => s.what)).toEqual(['placed', 'payment-differs', 'paid'])
})

test('whoever pays and is never heard of is asked about before the order is held no more', async () => {
  const fake = new Fake()
  const till = tillWith(fake)
  const paid = await toPay(till)
  const left = await toPay(till)
  fake.states.set(paid.payment, 'paid')
  now += 29 * 60_000
  await till.round()
  expect([await stateOf(paid.id), await stateOf(left.id)]).toEqual(['placed', 'placed'])
  now += 2 * 60_000
  fake.down = true
  await till.round()
  expect([await stateOf(paid.id), await stateOf(left.id)]).toEqual(['placed', 'placed'])
  fake.down = false
  now += 2 * 60_000
  await till.round()
  expect([await stateOf(paid.id), await stateOf(left.id)]).toEqual(['paid', 'expired'])
  expect(await takenOf(db(), 'day-ticket/small')).toBe(1)
})

test('who pays after it was held no more has it if it is still there, and else the money back', async () => {
  const fake = new Fake()
  const till = tillWith(fake)
  const one = await toPay(till, 2)
  now += 31 * 60_000
  await till.round()
  expect(await stateOf(one.id)).toBe('expired')
  const other = await toPay(till, 2)
  await till.hear('fake', { signed: 'yes' }, notice(one.payment, { amount: 1000 }))
  expect(await stateOf(one.id)).toBe('owing')
  await till.round()
  expect([await stateOf(one.id), fake.refunds]).toEqual(['refunded', [one.payment]])
  now += 31 * 60_000
  await till.round()
  await till.hear('fake', { signed: 'yes' }, notice(other.payment, { amount: 1000 }))
  expect(await stateOf(other.id)).toBe('paid')
})

test('while a provider is away nothing is lost: the order waits, and can be paid later', async () => {
  const fake = new Fake()
  const till = tillWith(fake)
  fake.down = true
  const made = await place(await basketOf(1, 'day-ticket', 'small', 500))
  if (made.kind !== 'placed') throw new Error(made.kind)
  expect(await till.begin(made.order, 'T-1')).toBeNull()
  fake.down = false
  const page = await till.begin(made.order, 'T-1')
  expect(await till.begin(made.order, 'T-1')).toBe(page)
  expect(await readPayments(db(), made.order.id)).toHaveLength(1)
})

test('orders and stock are what an obvious twin says, whatever happens in whatever turn', async () => {
  const step = fc.oneof(
    fc.record({ does: fc.constant('place' as const), count: fc.integer({ min: 1, max: 3 }) }),
    fc.record({ does: fc.constant('event' as const), of: fc.nat(12), event: fc.constantFrom(...ORDER_EVENTS) }),
  )
  await fc.assert(
    fc.asyncProperty(fc.array(step, { maxLength: 40 }), async (steps) => {
      await db().deleteFrom('orders').execute()
      open()
      const twin: { id: number; count: number; state: OrderState }[] = []
      const held = () => twin.filter((o) => HOLDS.has(o.state)).reduce((sum, o) => sum + o.count, 0)
      for (const one of steps) {
        if (one.does === 'place') {
          const made = await place(await basketOf(one.count, 'day-ticket', 'small', 500))
          expect(made.kind).toBe(held() + one.count <= 3 ? 'placed' : 'changed')
          if (made.kind === 'placed') twin.push({ id: made.order.id, count: one.count, state: 'placed' })
        } else if (twin.length > 0) {
          const order = twin[one.of % twin.length]!
          const next = nextState(order.state, one.event as OrderEvent, held() + order.count <= 3)
          expect(await orders.move(order.id, one.event as OrderEvent, 'a test')).toBe(next)
          if (next) order.state = next
        }
        expect(await takenOf(db(), 'day-ticket/small')).toBe(held())
        expect(held()).toBeLessThanOrEqual(3)
      }
      for (const { id, state } of twin) expect(await stateOf(id)).toBe(state)
    }),
    { numRuns: runs(25) },
  )
})

test('who it was is removed once it was kept for long enough, and the figures stay', async () => {
  const made = await place(await basketOf(2, 'day-ticket', 'large', 800))
  if (made.kind !== 'placed') throw new Error(made.kind)
  const { id } = made.order
  await orders.move(id, 'pay', 'a test', 'Inez rang')
  await orders.forgetOld()
  expect((await readOrder(db(), id))!.order.buyer).not.toBeNull()
  now += 3651 * 86_400_000
  await orders.forgetOld()
  const { order } = (await readOrder(db(), id))!
  expect(order).toMatchObject({ buyer: null, billing: null, note: '', totals: { total: 1600 } })
  expect((await readStory(db(), id)).map((s) => s.note)).toEqual(['', ''])
  expect(await readOrders(db(), { words: 'inez', most: 10 })).toEqual([])
  expect(await readOrders(db(), { words: 'day ticket', most: 10 })).toHaveLength(1)
  expect(await db().selectFrom('mails').selectAll().execute()).toEqual([])
})

test('a basket or an order that cannot be read takes nothing down with it', async () => {
  const basket = await basketOf(1)
  const well = await place(await basketOf(1, 'day-ticket', 'large', 800))
  const spoilt = await place(await basketOf(1, 'day-ticket', 'large', 800))
  if (well.kind !== 'placed' || spoilt.kind !== 'placed') throw new Error('not placed')
  for (const doc of ['', '{', '[]', '{"format":1,"lines":[{"count":-1}]}', JSON.stringify({ format: 1, lines: 'x' })]) {
    await db().updateTable('baskets').set({ doc }).where('id', '=', basket).execute()
    await db().updateTable('orders').set({ doc }).where('id', '=', spoilt.order.id).execute()
    expect((await readBasket(db(), basket, 0))!.basket).toEqual(EMPTY_BASKET)
    expect(await place(basket)).toEqual({ kind: 'empty' })
    expect(await readOrder(db(), spoilt.order.id)).toBeNull()
    expect(await orders.move(spoilt.order.id, 'pay', 'a test')).toBeNull()
    expect((await readOrders(db(), { most: 10 })).map((o) => o.id)).toEqual([well.order.id])
  }
})

test('an order keeps the currency in which it was placed', async () => {
  const made = await place(await basketOf(1, 'day-ticket', 'large', 800))
  if (made.kind !== 'placed') throw new Error(made.kind)
  const { site } = museum
  catalogue = new Catalogue({ ...siteWith(10), settings: { ...site.settings, currency: 'JPY' } })
  expect(await orders.move(made.order.id, 'pay', 'a test')).toBe('paid')
  expect((await readOrder(db(), made.order.id))!.order.totals).toMatchObject({ currency: 'GBP', total: 800 })
  const later = await place(await basketOf(1, 'day-ticket', 'large', 800))
  // Eight yen are another price than eight pounds: it is said before anything is ordered.
  expect(later).toMatchObject({ kind: 'changed', lines: [{ changes: ['price'] }] })
})

test('what stands on two lines of a spoilt basket is sold once, and what is no order is never stored', async () => {
  const line = (id: string) => ({ id, entry: 'day-ticket', offer: 'small', count: 2, seen: 500 })
  const twice = { ...EMPTY_BASKET, lines: [line('a'), line('b')] }
  await writeBasket(db(), { id: 'twice', user: null, basket: twice, at: now, placed: null })
  expect(await place('twice')).toMatchObject({
    kind: 'changed',
    lines: [{ count: 2 }, { count: 1, changes: ['fewer'] }],
  })
  await expect(
    writeBasket(db(), { id: 'none', user: null, basket: { ...twice, code: 'x'.repeat(99) }, at: now, placed: null }),
  ).rejects.toThrow('a basket cannot be stored')
  expect(await readBasket(db(), 'none', 0)).toBeNull()
})

test('whoever signs in finds what they had elsewhere in their basket, under one cookie', async () => {
  const baskets = new Baskets(db(), 'secret', () => now)
  const cookieOf = (id: string, basket: Basket) => baskets.cookie(id, basket, true).split(';')[0]!
  await db()
    .insertInto('users')
    .values({ id: 7, mail: 'seven@example.org', name: 'Seven', role: 'member', password_hash: '' })
    .execute()
  const [before, here] = [await basketOf(2), await basketOf(1, 'day-ticket', 'small', 500)]
  const stored = async (id: string) => (await readBasket(db(), id, 0))!
  await baskets.signIn(7, cookieOf(before, (await stored(before)).basket), true)
  const given = await baskets.signIn(7, cookieOf(here, (await stored(here)).basket), true)
  const both = (await baskets.read(given!.split(';')[0]))!
  expect([both.user, both.basket.lines.map((l) => [l.entry, l.count])]).toEqual([
    7,
    [
      ['day-ticket', 1],
      [TALK, 2],
    ],
  ])
  expect(await readBasket(db(), before, 0)).toBeNull()
  expect(countSaid(given!.split(';')[0])).toBe(3)
  // Somebody who has nothing anywhere is given nothing; one of a month ago is none.
  expect(await baskets.signIn(8, undefined, true)).toBeNull()
  now += 31 * 86_400_000
  expect(await baskets.read(given!.split(';')[0])).toBeNull()
})

describe('payments move along the table of their states', () => {
  test('a refusal that comes late changes nothing: the order stays paid, and is given back', async () => {
    const fake = new Fake()
    const till = tillWith(fake)
    const { id, payment } = await toPay(till)
    await till.hear('fake', { signed: 'yes' }, notice(payment))
    await till.hear('fake', { signed: 'yes' }, notice(payment, { state: 'refused' }))
    expect((await readPayments(db(), id)).map((p) => p.state)).toEqual(['paid'])
    expect(await till.refund(id, 'ada')).toBe('')
    expect([await stateOf(id), (await readPayments(db(), id)).map((p) => p.state)]).toEqual(['refunded', ['refunded']])
  })

  test('a notice in another currency, or of more than was asked for, pays nothing and is told', async () => {
    const till = tillWith(new Fake())
    for (const more of [{ currency: 'JPY' }, { amount: 50_000 }]) {
      const { id, payment } = await toPay(till)
      await till.hear('fake', { signed: 'yes' }, notice(payment, more))
      expect(await stateOf(id)).toBe('placed')
      expect((await readStory(db(), id)).map((s) => s.what)).toContain('payment-differs')
    }
  })

  test('a second payment of a paid order goes back by itself, and is told', async () => {
    const till = tillWith(new Fake())
    const { id, payment } = await toPay(till)
    const second = { ...(await readPayments(db(), id))[0]!, id: 'second-one', remote: 'second-one' }
    await insertPayment(db(), second)
    await till.hear('fake', { signed: 'yes' }, notice(payment))
    await till.hear('fake', { signed: 'yes' }, notice('second-one'))
    expect(await stateOf(id)).toBe('paid')
    expect((await readPayments(db(), id)).map((p) => p.state).sort()).toEqual(['paid', 'refunded'])
    expect((await readStory(db(), id)).map((s) => s.what)).toEqual(
      expect.arrayContaining(['paid-twice', 'surplus-refunded']),
    )
  })

  test('however many ask at once, an order has one open payment', async () => {
    const till = tillWith(new Fake())
    const { id } = await toPay(till)
    const order = (await readOrder(db(), id))!
    const other = tillWith(new Fake())
    await Promise.all([till.begin(order, 'T-1'), other.begin(order, 'T-1'), till.begin(order, 'T-1')])
    expect(await readPayments(db(), id)).toHaveLength(1)
  })
})

test('whoever signs in has a basket under a new id, and whoever signs out leaves nothing of themselves', async () => {
  const baskets = new Baskets(db(), 'secret', () => now)
  await db()
    .insertInto('users')
    .values({ id: 70, mail: 'seventy@example.org', name: 'Seventy', role: 'member', password_hash: '' })
    .execute()
  const planted = await basketOf(1)
  const cookie = baskets.cookie(planted, EMPTY_BASKET, true).split(';')[0]!
  const given = (await baskets.signIn(70, cookie, true))!.split(';')[0]!
  expect(baskets.idIn(given)).not.toBe(planted)
  // What was planted reads nothing any more.
  expect(await baskets.read(cookie)).toBeNull()
  await baskets.change(baskets.idIn(given)!, (b) => ({ ...b, said: { 'c.name': 'Seventy', 'b.line1': '7 Low Lane' } }))
  expect(await baskets.signOut(given, true)).toContain('Max-Age=0')
  expect(await baskets.read(given)).toBeNull()
  const again = await baskets.read((await baskets.signIn(70, undefined, true))!.split(';')[0])
  expect([again!.basket.lines.length, again!.basket.said]).toEqual([1, {}])
})
