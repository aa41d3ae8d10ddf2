import { createHmac } from 'node:crypto'
import { RIGHT, Buyer as Visitor } from '../buyer'
import { type TestServer, startServer } from '../server'

/** The shop over HTTP: what comes in other shapes, of others, and all at once; and a server that is killed. */

let server: TestServer
beforeAll(async () => {
  server = await startServer({ env: { OUTER_FRAME_STAND_IN_LATE: '300', OUTER_FRAME_TRUST_PROXY: 'yes' } })
}, 60_000)
afterAll(() => server.stop())

/** Somebody who buys here, and agrees to what is asked. */
class Buyer extends Visitor {
  constructor() {
    super(server)
  }

  place(more: Record<string, string> = {}): Promise<Response> {
    return this.press('/checkout', 'place', { ...RIGHT, ...AGREES, ...more })
  }
}
const AGREES: Record<string, string> = {}
const payPage = async (response: Response): Promise<string> => {
  expect(response.status).toBe(303)
  const page = response.headers.get('location')!
  expect(page).toMatch(/^http:\/\/127\.0\.0\.1:\d+\/pay\//)
  return page
}
const choose = async (page: string, chosen: string): Promise<string | null> =>
  (await fetch(page, { method: 'POST', redirect: 'manual', body: new URLSearchParams({ case: chosen }) })).headers.get(
    'location',
  )

beforeAll(async () => {
  const buyer = new Buyer()
  await buyer.put()
  const agree = /name="(agree\.[^"]+)"/.exec(await buyer.page('/checkout'))![1]!
  AGREES[agree] = 'yes'
})

async function stands(buyer: Buyer, address: string, words: string): Promise<void> {
  const path = address.replace(/^https?:\/\/[^/]+/, '')
  for (let i = 0; i < 100; i++) {
    if ((await buyer.page(path)).includes(words)) return
    await new Promise((done) => setTimeout(done, 50))
  }
  throw new Error(`never: ${words}`)
}

test.each(['pays', 'twice', 'late'])('from the basket to the receipt: %s', async (chosen) => {
  const buyer = new Buyer()
  expect((await buyer.put('/tickets/day-ticket', '2')).status).toBe(303)
  expect(await buyer.page('/checkout')).toContain('£18.00')
  const back = await choose(await payPage(await buyer.place()), chosen)
  await stands(buyer, back!, 'It is paid. Thank you.')
  expect(await buyer.page('/basket')).toContain('There is nothing in your basket.')
})

test('whoever is refused, leaves, or is never heard of keeps the order, and can pay it from its link', async () => {
  const buyer = new Buyer()
  await buyer.put()
  const back = (await choose(await payPage(await buyer.place()), 'refuses'))!
  const path = back.replace(/^https?:\/\/[^/]+/, '')
  await stands(buyer, back, 'It is ordered, and waits to be paid.')
  await new Promise((done) => setTimeout(done, 300))
  const again = await payPage(await buyer.send(path, { form: 'shop', does: 'pay' }))
  expect(await choose(again, 'left')).toBeNull()
  await stands(buyer, back, 'It is paid. Thank you.')
})

test('however often it is pressed, it is ordered once', async () => {
  const buyer = new Buyer()
  await buyer.put()
  const all = await Promise.all([buyer.place(), buyer.place(), buyer.place()])
  expect(new Set(all.map((r) => r.headers.get('location'))).size).toBe(1)
  expect((await buyer.place()).headers.get('location')).toBe(all[0]!.headers.get('location'))
})

test('while the provider is away it is ordered all the same, and waits to be paid', async () => {
  const [, address] = /"payment":"(http:[^"]+)"/.exec(server.said())!
  const down = (say: string) => fetch(`${address}down`, { method: 'POST', body: new URLSearchParams({ down: say }) })
  await down('yes')
  const buyer = new Buyer()
  await buyer.put()
  const placed = await buyer.place()
  expect(placed.headers.get('location')).toMatch(/^\/receipt\?order=/)
  await down('no')
  const page = await payPage(await buyer.send(placed.headers.get('location')!, { form: 'shop', does: 'pay' }))
  await stands(buyer, (await choose(page, 'pays'))!, 'It is paid.')
})

test('quantities that are none, and prices or totals of a browser’s own, change nothing', async () => {
  const buyer = new Buyer()
  for (const count of ['-1', '0', '0.5', '1e9', '99999', 'many', ''])
    expect([count, (await buyer.put('/tickets/day-ticket', count)).status]).toEqual([count, 422])
  await buyer.put('/tickets/day-ticket', '3', { price: '0', each: '1', total: '1' })
  const line = /name="n\.([^"]+)"/.exec(await buyer.page('/basket'))![1]!
  for (const count of ['-1', '0.5', '1e9', 'x']) {
    const wrong = await buyer.send('/basket', { form: 'shop', does: 'update', [`n.${line}`]: count })
    expect([count, wrong.status, (await wrong.text()).includes('Please say a whole number')]).toEqual([
      count,
      422,
      true,
    ])
  }
  expect(await buyer.page('/basket')).toContain('£27.00')
  await buyer.send('/basket', { form: 'shop', does: 'update', [`n.${line}`]: '2', total: '0', 'n.forged': '5' })
  expect(await buyer.page('/basket')).toContain('£18.00')
  await buyer.send('/basket', { form: 'shop', does: `out.${line}` })
  expect(await buyer.page('/basket')).toContain('Day ticket was taken out.')
  await buyer.send('/basket', { form: 'shop', does: 'back' })
  expect(await buyer.page('/basket')).toContain('£18.00')
})

test('nobody is shown the basket or the order of somebody else', async () => {
  const buyer = new Buyer()
  await buyer.put('/tickets/family-day')
  const [name, value = ''] = buyer.cookie.split('=')
  const [id, count, seal] = value.split('.')
  for (const forged of [`${id}.${count}.${'x'.repeat(22)}`, `${id}x.${count}.${seal}`, `..`, id!, '%']) {
    const thief = new Buyer()
    thief.cookie = `${name}=${forged}`
    expect(await thief.page('/basket')).toContain('There is nothing in your basket.')
  }
  const placed = await buyer.place()
  const back = (await choose(await payPage(placed), 'pays'))!
  const token = new URL(back).searchParams.get('order')!
  const [of, right] = token.split('.')
  for (const forged of [
    '',
    '1',
    `${of}.`,
    `${of}.${right!.slice(0, -1)}x`,
    `${(parseInt(of!, 36) + 1).toString(36)}.${right}`,
  ])
    expect(await buyer.page(`/receipt?order=${encodeURIComponent(forged)}`)).toContain(
      'There is no order at this address.',
    )
})

test('a basket is private, and all other pages stay shared', async () => {
  const buyer = new Buyer()
  await buyer.put()
  const headers = async (path: string) =>
    (await fetch(server.origin + path, { headers: { cookie: buyer.cookie } })).headers
  expect((await headers('/basket')).get('cache-control')).toBe('private, no-cache')
  expect((await headers('/checkout')).get('vary')).toContain('cookie')
  expect((await headers('/tickets/day-ticket')).get('cache-control')).toBe('public, max-age=0, must-revalidate')
})

test('forms of other sites, too much at once, and codes by the thousand are refused', async () => {
  const buyer = new Buyer()
  await buyer.put()
  const foreign = await buyer.send('/checkout', { form: 'shop', does: 'place' }, { 'sec-fetch-site': 'cross-site' })
  expect(foreign.status).toBe(403)
  const many = Object.fromEntries(Array.from({ length: 10_000 }, (_, i) => [`c.f${i}`, 'x']))
  expect([413, 303]).toContain((await buyer.send('/checkout', { form: 'shop', ...many })).status)
  const statuses = []
  for (let i = 0; i < 14; i++)
    statuses.push((await buyer.send('/basket', { form: 'shop', does: 'code', code: `TRY-${i}` })).status)
  expect(statuses.slice(0, 12)).toEqual(Array<number>(12).fill(422))
  expect(statuses.slice(12)).toEqual([429, 429])
})

test('a notice with a wrong signature, of long ago, or of nobody is refused', async () => {
  const body = JSON.stringify({ type: 'payment', payment: 'x', state: 'paid', amount: 900, currency: 'GBP' })
  const at = String(Math.floor(Date.now() / 1000))
  const signed = (secret: string) =>
    `v1,${createHmac('sha256', Buffer.from(secret)).update(`msg_1.${at}.${body}`).digest('base64')}`
  const send = (headers: Record<string, string>, provider = 'stand-in') =>
    fetch(`${server.origin}/_of/pay/${provider}`, { method: 'POST', headers, body })
  const headers = { 'webhook-id': 'msg_1', 'webhook-timestamp': at, 'webhook-signature': signed('not this one') }
  for (const [wrong, to] of [
    [{}, 'stand-in'],
    [headers, 'stand-in'],
    [{ ...headers, 'webhook-timestamp': '1' }, 'stand-in'],
    [headers, 'nobody'],
  ] as const)
    expect((await send(wrong, to)).status).toBe(401)
  const large = await fetch(`${server.origin}/_of/pay/stand-in`, { method: 'POST', body: 'x'.repeat(100_000) })
  expect(large.status).toBe(413)
})

test('sixty at once for the last places: as many orders as there are places, and nobody is left without an answer', async () => {
  const buyers = Array.from({ length: 60 }, () => new Buyer())
  // All of them have one in their basket before anybody orders.
  await Promise.all(buyers.map((b) => b.put('/talks/reading-a-watch-case')))
  const answers = await Promise.all(buyers.map((b) => b.place()))
  const statuses = answers.map((a) => a.status)
  expect(statuses.filter((s) => s === 303)).toHaveLength(6)
  expect(statuses.every((s) => s === 303 || s === 409)).toBe(true)
  expect(await answers.find((a) => a.status === 409)!.text()).toContain('None of this is left.')
  expect(server.said()).not.toContain('"level":"error"')
})

test('a killed server leaves every order in one of its states, and goes on with it', async () => {
  const buyer = new Buyer()
  await buyer.put()
  const page = await payPage(await buyer.place())
  process.kill(server.pid(), 'SIGKILL')
  await new Promise((done) => setTimeout(done, 300))
  await server.restart()
  const id = page.split('/').pop()!
  const [, address] = [...server.said().matchAll(/"payment":"(http:[^"]+)"/g)].at(-1)!
  const back = (await choose(`${address}pay/${id}`, 'pays'))!
  await stands(buyer, back, 'It is paid. Thank you.')
  expect(await buyer.page('/basket')).toContain('There is nothing in your basket.')
}, 60_000)
