import { clock } from '../../../times'
import { makeDemo } from '#demo/index'
import { Catalogue } from '#core/catalogue'
import { PLAIN_SHOP, type ShopSettings } from '#core/selling'
import {
  type AskedCheckout,
  type Goods,
  HOLDS,
  ORDER_EVENTS,
  ORDER_STATES,
  type Said,
  type SeenLine,
  addressLines,
  addressParts,
  allCountries,
  goodsOfEntry,
  checkoutFields,
  judgeCheckout,
  neededParts,
  nextState,
} from '#core/shop'

/** What a checkout asks in each country, what it takes of what is said, and what becomes of an order. */

const goods = (more: Partial<Goods> = {}) => ({ delivers: true, each: 500, ...more }) as Goods
const line = (more: Partial<Goods> = {}): SeenLine =>
  ({ line: {}, goods: goods(more), count: 1, changes: [] }) as unknown as SeenLine
const way = (id: string, more = {}) => ({
  id,
  label: id,
  about: '',
  price: 3,
  freeFrom: null,
  countries: [],
  collected: false,
  ...more,
})
const shop: ShopSettings = {
  ...PLAIN_SHOP,
  deliveries: [way('post'), way('here', { countries: ['GB'] }), way('door', { collected: true })],
  countries: ['GB', 'DE', 'IE'],
}
const asked = (more: Partial<AskedCheckout> = {}): AskedCheckout => ({
  shop,
  locale: 'en-GB',
  lines: [line()],
  asks: new Set(['buyer', 'billing', 'delivery', 'way', 'payment']),
  phoneNeeded: false,
  consents: [{ id: 'terms', words: 'I agree.', needed: true }],
  payments: ['card'],
  ...more,
})
const right: Said = {
  'c.name': 'Inez Dial',
  'c.mail': 'inez@example.org',
  'b.country': 'GB',
  'b.name': 'Inez Dial',
  'b.line1': '4 Bell Lane',
  'b.city': 'Quillmere',
  'b.code': 'SW1A 1AA',
  way: 'post',
  'agree.terms': 'yes',
}
const wrong = (said: Said, more: Partial<AskedCheckout> = {}) => judgeCheckout(asked(more), said).problems

test('addresses have the parts of their country, in its order', () => {
  expect(addressParts('GB')).toEqual(['name', 'organisation', 'line1', 'line2', 'city', 'code'])
  expect(addressParts('DE')).toEqual(['name', 'organisation', 'line1', 'line2', 'code', 'city'])
  expect(addressParts('JP')[0]).toBe('code')
  expect(addressParts('US')).toContain('area')
  expect([neededParts('GB').includes('code'), neededParts('AE').includes('code')]).toEqual([true, false])
  const written = addressLines(
    {
      country: 'DE',
      name: 'A',
      organisation: '',
      line1: 'B 1',
      line2: '',
      quarter: '',
      city: 'C',
      area: 'x',
      code: '10115',
    },
    'en-GB',
  )
  expect(written).toEqual(['A', 'B 1', '10115 C', 'Germany'])
})

test('countries are those that there are, in the order of the language', () => {
  const names = allCountries('en-GB').map((c) => c.id)
  expect(names.length).toBeGreaterThan(240)
  for (const none of ['EU', 'ZZ', 'SU', 'DD', 'UK']) expect(names).not.toContain(none)
  expect(allCountries('de').find((c) => c.id === 'DE')!.name).toBe('Deutschland')
})

test('what is right is agreed on, and it comes where the bill goes unless another address is said', () => {
  const { agreed, problems } = judgeCheckout(asked(), right)
  expect(problems).toEqual({})
  expect(agreed).toMatchObject({ country: 'GB', payment: 'card', consents: ['I agree.'], way: { id: 'post' } })
  expect(agreed.delivery).toEqual(agreed.billing)
  const other = {
    ...right,
    'd.same': 'no',
    'd.country': 'DE',
    'd.name': 'Otto',
    'd.line1': 'Weg 1',
    'd.city': 'Ulm',
    'd.code': '89073',
  }
  expect(judgeCheckout(asked(), other).agreed).toMatchObject({
    country: 'DE',
    delivery: { city: 'Ulm', country: 'DE' },
  })
})

test('each thing that is wrong is told at its field', () => {
  expect(wrong({})).toMatchObject({
    'c.name': 'missing',
    'c.mail': 'missing',
    'b.name': 'missing',
    'b.line1': 'missing',
    'b.code': 'missing',
    way: 'way',
    'agree.terms': 'agree',
  })
  expect(
    wrong({ ...right, 'c.mail': 'inez@example.org\r\nBcc: a@example.org', 'b.code': '123', 'b.country': 'FR' }),
  ).toEqual({
    'c.mail': 'mail',
    'b.country': 'country',
    'b.code': 'code',
  })
  expect(wrong({ ...right, 'b.country': 'DE', 'b.code': '10115', way: 'here' })).toEqual({ way: 'way-not-there' })
  expect(wrong({ ...right, pay: 'nothing' }, { payments: ['card', 'bill'] })).toEqual({ pay: 'payment' })
  expect(wrong({ ...right, 'c.name': 'x'.repeat(5000), 'c.phone': 'call me' })).toEqual({
    'c.name': 'long',
    'c.phone': 'phone',
  })
})

test('a part that a country has not is not taken, and one that it needs is asked for', () => {
  const { agreed } = judgeCheckout(asked(), { ...right, 'b.area': 'Kent', 'b.quarter': 'East' })
  expect(agreed.billing).toMatchObject({ area: '', quarter: '' })
  expect(wrong({ ...right, 'b.country': 'DE', 'b.code': '' })).toEqual({ 'b.code': 'missing' })
  // Ireland has codes, and letters arrive without one.
  expect(wrong({ ...right, 'b.country': 'IE', 'b.code': '' })).toEqual({})
})

test('of what a browser sends, the basket keeps what the page asks, and no more of it than can be told', () => {
  const on = (name: string) => !name.startsWith('d.') && name !== 'agree.other'
  const many = Object.fromEntries(Array.from({ length: 500 }, (_, i) => [`c.made-up-${i}`, 'x'.repeat(2000)]))
  const kept = checkoutFields(
    { ...many, ...right, 'd.city': 'Ulm', 'agree.other': 'yes', note: 'n'.repeat(5000), 'b.city': 'c'.repeat(5000) },
    on,
  )
  expect(Object.keys(kept).sort()).toEqual([...new Set([...Object.keys(right), 'note'])].filter(on).sort())
  expect(JSON.stringify(kept).length).toBeLessThan(4000)
  expect(wrong(kept)).toMatchObject({ 'b.city': 'long' })
})

test('nothing is asked about the way of what nobody brings, nor an address of what is called for', () => {
  const ticket = { lines: [line({ delivers: false })], asks: new Set(['buyer', 'payment'] as const) }
  expect(wrong({ 'c.name': 'Inez', 'c.mail': 'inez@example.org', 'agree.terms': 'yes' }, ticket)).toEqual({})
  const called = { asks: new Set(['buyer', 'delivery', 'way', 'payment'] as const) }
  const said = { 'c.name': 'Inez', 'c.mail': 'inez@example.org', 'agree.terms': 'yes', way: 'door' }
  expect(judgeCheckout(asked(called), said)).toMatchObject({ problems: {}, agreed: { delivery: null } })
})

test('an order goes from state to state as is written down, and nothing else moves it', () => {
  const moves = ORDER_STATES.flatMap((state) =>
    ORDER_EVENTS.flatMap((event) => {
      const next = nextState(state, event)
      return next ? [`${state} -${event}-> ${next}`] : []
    }),
  )
  expect(moves).toEqual([
    'placed -pay-> paid',
    'placed -expire-> expired',
    'placed -cancel-> cancelled',
    'paid -cancel-> owing',
    'paid -send-> sent',
    'paid -refund-> refunded',
    'sent -refund-> refunded',
    'expired -pay-> paid',
    'expired -cancel-> cancelled',
    'cancelled -pay-> owing',
    'owing -refund-> refunded',
  ])
  expect(nextState('expired', 'pay', false)).toBe('owing')
  expect([...HOLDS]).toEqual(['placed', 'paid', 'sent'])
})

describe('what is for a day or a moment', () => {
  const { site } = makeDemo()
  const type = { ...site.types.find((t) => t.id === 'talk')!, id: 'talk' }
  const entry = (starts: string) => ({
    ...site.entries.find((e) => e.type === 'talk')!,
    fields: { starts, price: 5, places: 4 },
  })
  const sold = (starts: string, at: string, timeZone = 'Europe/London') => {
    const one = entry(starts)
    const settings = { ...site.settings, timeZone }
    const catalogue = new Catalogue({ ...site, settings, types: [type], entries: [one] }, 0)
    return goodsOfEntry(one.id, { catalogue, taken: () => 1, now: clock(at) })[0] ?? null
  }

  test('is sold until it begins, by the clocks of the site, also over midnight and in summer', () => {
    // Half past midnight in London in summer is still yesterday in UTC.
    expect(sold('2027-06-30T23:30:00Z', '2027-07-01T00:29')).toMatchObject({ on: '2027-07-01T00:30', left: 3 })
    expect(sold('2027-06-30T23:30:00Z', '2027-07-01T00:30')).toBeNull()
    expect(sold('2027-06-30T23:30', '2027-06-30T23:29')).toMatchObject({ on: '2027-06-30T23:30' })
    expect(sold('2027-01-01T00:00:00Z', '2026-12-31T15:59', 'America/Los_Angeles')).toMatchObject({
      on: '2026-12-31T16:00',
    })
    expect(sold('2027-01-01T00:00:00Z', '2026-12-31T16:00', 'America/Los_Angeles')).toBeNull()
  })
})
