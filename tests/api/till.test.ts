import Database from 'better-sqlite3'
import { join } from 'node:path'
import { STARTERS } from '#core/starters'
import type { Layout, Row } from '#core/tree'
import type { CodesAnswer, DaySheetAnswer } from '#shared/api/types'
import { RIGHT, Buyer } from '../buyer'
import { type TestServer, startServer } from '../server'
import { Client } from './client'
import { findings } from './findings'

/** Checkouts as they are designed: in steps, without what they need, with codes; who comes, and what a member ordered. */

let server: TestServer
let ada: Client
beforeAll(async () => {
  server = await startServer({ env: { OUTER_FRAME_TRUST_PROXY: 'yes' } })
  ada = await new Client(server).open()
  await ada.signIn('ada')
}, 60_000)
afterAll(() => server.stop())

let made = 0
/** Has rows stand in a layout instead of those that do, and releases it. */
async function design(id: string, rows: readonly Row[]): Promise<void> {
  const { body } = await ada.call('GET', `/layouts/${id}`)
  const had = (body.layout as unknown as Layout).children
  const edits = [
    ...had.map((row) => ({ kind: 'remove', id: row.id })),
    ...rows.map((node, index) => ({ kind: 'insert', parent: id, index, node })),
  ].map((edit) => ({ id: `t${++made}`, does: 'edit', edit }))
  const answer = await ada.call('POST', `/layouts/${id}/edits`, { revision: body.revision, edits })
  expect([answer.status, answer.body.problem]).toEqual([200, undefined])
  expect((await ada.call('POST', '/releases', { note: 'Another till' })).status).toBe(200)
}
const starter = (id: string): readonly Row[] => STARTERS.find((s) => s.id === id)!.layout.children
const agree = (html: string): Record<string, string> =>
  Object.fromEntries([...html.matchAll(/name="(agree\.[^"]+)"/g)].map((m) => [m[1]!, 'yes']))
const location = (response: Response) => response.headers.get('location') ?? ''
async function paid(response: Response): Promise<string> {
  expect(response.status).toBe(303)
  const body = new URLSearchParams({ case: 'pays' })
  const back = await fetch(location(response), { method: 'POST', redirect: 'manual', body })
  const receipt = location(back).replace(/^https?:\/\/[^/]+/, '')
  for (let i = 0; i < 100; i++) {
    if ((await (await fetch(server.origin + receipt)).text()).includes('It is paid. Thank you.')) return receipt
    await new Promise((done) => setTimeout(done, 50))
  }
  throw new Error('never paid')
}

describe('in steps', () => {
  beforeAll(() => design('checkout-page', starter('checkout-in-steps')))

  test('one is shown at a time; on is gone where nothing is wrong in it, and what was said is kept', async () => {
    const buyer = new Buyer(server)
    await buyer.put('/gifts/winding-key-in-brass', '2')
    const first = await buyer.page('/checkout')
    expect([first.includes('name="c.name"'), first.includes('name="way"')]).toEqual([true, false])
    expect(first).toContain('<li aria-current="step">Who buys</li>')

    const wrong = await buyer.press('/checkout', 'step.2', { step: '1', ...RIGHT, 'c.mail': 'nobody' })
    const said = await wrong.text()
    expect([wrong.status, said.includes('This is no mail address.')]).toEqual([422, true])
    // What another step asks is not told here.
    expect(said).not.toContain('Please choose how it comes to you.')
    expect(said).toContain('value="Inez Dial"')

    const on = await buyer.press('/checkout', 'step.2', { step: '1', ...RIGHT })
    expect([on.status, location(on)]).toEqual([303, '/checkout?step=2'])
    const second = await buyer.page('/checkout?step=2')
    expect([second.includes('name="c.name"'), second.includes('name="way"')]).toEqual([false, true])
    // Back is gone whatever is missing here.
    expect(location(await buyer.press('/checkout?step=2', 'step.1', { step: '2' }))).toBe('/checkout?step=1')
    expect(await buyer.page('/checkout?step=1')).toContain('value="4 Bell Lane"')
    expect((await buyer.press('/checkout?step=2', 'step.3', { step: '2' })).status).toBe(422)
    const third = await buyer.press('/checkout?step=2', 'step.3', { step: '2', way: 'post' })
    expect(location(third)).toBe('/checkout?step=3')
    const last = await buyer.page('/checkout?step=3')
    expect(last).toContain('£28.50')
    const placed = await buyer.press('/checkout?step=3', 'place', { step: '3', pay: 'stand-in', ...agree(last) })
    expect(await buyer.page(await paid(placed))).toContain('Winding key in brass')
  })

  test('whoever goes to the last by its address is led to the first that lacks something', async () => {
    const buyer = new Buyer(server)
    await buyer.put('/gifts/winding-key-in-brass')
    const last = await buyer.page('/checkout?step=3')
    const placed = await buyer.press('/checkout?step=3', 'place', { step: '3', pay: 'stand-in', ...agree(last) })
    const html = await placed.text()
    expect([placed.status, html.includes('<li aria-current="step">Who buys</li>')]).toEqual([422, true])
    expect(html).toContain('name="step" value="1"')
    // It is sent on from where it was shown, whatever address it stands at.
    const on = await buyer.press('/checkout?step=3', 'step.2', { step: '1', ...RIGHT })
    expect(location(on)).toBe('/checkout?step=2')
    const kept = await buyer.page('/checkout?step=3')
    expect(kept).toMatch(/name="agree\.[^"]+" value="yes" checked/)
  })

  test('steps that there are not, and words for numbers, are the first', async () => {
    const buyer = new Buyer(server)
    await buyer.put()
    for (const step of ['0', '9', '-1', '1e9', 'x', '%00', '2'.repeat(400)])
      expect(await buyer.page(`/checkout?step=${step}`)).toContain('<li aria-current="step">Who buys</li>')
    for (const does of ['step.0', 'step.99', 'step.-1', 'step.', 'step.x'])
      expect([303, 422]).toContain((await buyer.press('/checkout', does, { step: 'x' })).status)
  })
})

describe('without a part that is needed', () => {
  test('visitors have the plain checkout, and the checks say what is lacking', async () => {
    const [row] = starter('checkout-one-page')
    const without = {
      ...row!,
      children: row!.children.map((c) => ({
        ...c,
        children: c.children.filter((e) => e.kind !== 'element' || e.type !== 'place-order'),
      })),
    } as Row
    await design('checkout-page', [without])
    const buyer = new Buyer(server)
    await buyer.put()
    const html = await buyer.page('/checkout')
    expect(html).toContain('name="does" value="place"')
    expect(await findings(ada)).toContainEqual({
      kind: 'lacking',
      layout: 'checkout-page',
      pages: ['checkout'],
      lacks: ['place-order'],
    })
    await paid(await buyer.press('/checkout', 'place', RIGHT))
    await design('checkout-page', starter('checkout-one-page'))
    expect(await buyer.page('/checkout')).toContain('What you buy')
  })

  test('an empty sign-in page still lets members in', async () => {
    await design('sign-in-page', [])
    expect(await new Buyer(server).page('/sign-in')).toContain('type="password"')
  })
})

describe('codes', () => {
  const code = (more: object = {}) => ({
    format: 1,
    code: 'HALF-OFF',
    kind: 'percent',
    value: 50,
    least: 0,
    from: '',
    until: '',
    most: 1,
    types: ['gift'],
    on: true,
    ...more,
  })
  const put = async (of: object) => {
    const { status, body } = await ada.call('PUT', '/visitors/codes', of)
    return [status, (body as unknown as CodesAnswer).codes ?? body.problem.sentence] as const
  }

  test('one is made, takes off what it says of what it is for, and is used once', async () => {
    expect(await put(code())).toEqual([200, [{ ...code(), used: 0 }]])
    const buyer = new Buyer(server)
    await buyer.put('/gifts/winding-key-in-brass')
    await buyer.put('/tickets/day-ticket')
    expect((await buyer.press('/basket', 'code', { code: 'half-off' })).status).toBe(303)
    expect(await buyer.page('/basket')).toContain('−£6.25')
    const placed = await buyer.press('/checkout', 'place', {
      ...RIGHT,
      way: 'desk',
      ...agree(await buyer.page('/checkout')),
    })
    await paid(placed)
    const { codes } = (await ada.call('GET', '/visitors/codes')).body as unknown as CodesAnswer
    expect(codes[0]!.used).toBe(1)
    const late = new Buyer(server)
    await late.put('/gifts/winding-key-in-brass')
    expect((await late.press('/basket', 'code', { code: 'HALF-OFF' })).status).toBe(422)
    // Orders tell of it, so it stays; and how often it was used is not forgotten when it is changed.
    expect((await ada.call('POST', '/visitors/codes/removed', { code: 'HALF-OFF' })).body.problem.code).toBe(
      'discount-used',
    )
    expect(await put(code({ on: false }))).toEqual([200, [{ ...code({ on: false }), used: 1 }]])
  })

  test('what cannot hold is refused with a sentence, and nothing is stored', async () => {
    for (const [more, sentence] of [
      [{ value: 101 }, 'It takes off no more than 100 percent. Nothing was stored.'],
      [{ from: '2027-02-01', until: '2027-01-01' }, 'It ends before it begins. Nothing was stored.'],
      [{ types: ['exhibit'] }, 'Exhibits cannot be bought. Nothing was stored.'],
      [{ types: ['gone'] }, 'A page type that is gone cannot be bought. Nothing was stored.'],
    ] as const)
      expect(await put(code({ code: 'OTHER', ...more }))).toEqual([422, sentence])
    for (const more of [
      { code: 'a b' },
      { code: 'x' },
      { value: 0 },
      { kind: 'all' },
      { most: 0 },
      { extra: 1 },
      { from: 'now' },
    ])
      expect((await put(code({ code: 'OTHER', ...more })))[0]).toBe(422)
    const { codes } = (await ada.call('GET', '/visitors/codes')).body as unknown as CodesAnswer
    expect(codes.map((c) => c.code)).toEqual(['HALF-OFF'])
  })

  test('one that got into the file in another shape is left out, and takes nothing off', async () => {
    const db = new Database(join(server.data, 'outer-frame.sqlite'))
    db.prepare('insert into discount_codes (code, doc, used) values (?, ?, 0)').run(
      'SPOILT',
      '{"code":"SPOILT","value":"all"}',
    )
    db.close()
    expect((await ada.call('GET', '/visitors/codes')).status).toBe(200)
    const buyer = new Buyer(server)
    await buyer.put()
    expect((await buyer.press('/basket', 'code', { code: 'SPOILT' })).status).toBe(422)
    expect(await buyer.page('/basket')).toContain('£9.00')
  })
})

test('whoever comes is ticked off, never more than bought it, and only of what is paid', async () => {
  const buyer = new Buyer(server)
  await buyer.put('/talks/what-the-tower-hears', '3')
  const placed = await buyer.press('/checkout', 'place', { ...RIGHT, ...agree(await buyer.page('/checkout')) })
  const db = new Database(join(server.data, 'outer-frame.sqlite'), { readonly: true })
  const line = db.prepare('select "order", sku, day from order_lines where sku = ?').get('what-the-tower-hears') as {
    order: number
    sku: string
    day: string
  }
  db.close()
  const come = async (came: unknown, more: object = {}) => {
    const { status, body } = await ada.call('POST', '/visitors/orders/came', { ...line, came, ...more })
    return [status, (body as unknown as DaySheetAnswer).lines?.map((l) => l.came)] as const
  }
  // It is not paid yet.
  expect(await come(1)).toEqual([409, undefined])
  await paid(placed)
  expect(await come(2)).toEqual([200, [2]])
  expect(await come(3)).toEqual([200, [3]])
  for (const wrong of [4, 999]) expect((await come(wrong))[0]).toBe(409)
  for (const wrong of [-1, 0.5, '2', null]) expect((await come(wrong))[0]).toBe(422)
  expect((await come(1, { sku: 'winding-key-in-brass' }))[0]).toBe(409)
  expect((await come(1, { order: 10_000 }))[0]).toBe(409)
  const { body } = await ada.call('GET', `/visitors/orders/${line.order}`)
  expect((body.story as { what: string; note: string }[]).filter((s) => s.what === 'came').map((s) => s.note)).toEqual([
    '2',
    '3',
  ])
})

test('a member is told of what they ordered while they were signed in, and nobody else is', async () => {
  const mina = new Buyer(server)
  const door = await mina.page('/sign-in')
  const hidden = Object.fromEntries(
    [...door.matchAll(/<input type="hidden" name="([^"]+)" value="([^"]*)"/g)].map((m) => [m[1]!, m[2]!]),
  )
  const entered = await mina.send('/sign-in', {
    ...hidden,
    mail: 'mina@quillmere.example.org',
    password: 'wind-me-on-sunday',
  })
  expect(entered.status).toBe(303)
  expect(await mina.page('/member')).toContain('You have not ordered anything yet.')
  await mina.put('/tickets/tower-climb')
  await paid(await mina.press('/checkout', 'place', { ...RIGHT, ...agree(await mina.page('/checkout')) }))
  const page = await mina.page('/member')
  expect(page).toMatch(/<a href="\/order\?order=[^"]+">Q-\d+<\/a>/)
  expect(page).toContain('1 × Tower climb')
  expect(await new Buyer(server).page('/member')).not.toContain('Tower climb')
})

test('what goes with it is sold, is not what is looked at, and makes no page private', async () => {
  const answer = await fetch(`${server.origin}/gifts/winding-key-in-brass`)
  expect(answer.headers.get('cache-control')).toBe('public, max-age=0, must-revalidate')
  const shown = (html: string) =>
    [.../<section[^>]*of-also[\s\S]*?<\/section>/.exec(html)![0].matchAll(/<a href="([^"]+)"/g)].map((m) => m[1])
  const beside = shown(await answer.text())
  expect(beside).toHaveLength(3)
  expect(beside).not.toContain('/gifts/winding-key-in-brass')
  const buyer = new Buyer(server)
  await buyer.put(beside[0])
  const besideBasket = shown(await buyer.page('/basket'))
  expect([besideBasket.length, besideBasket.includes(beside[0]!)]).toEqual([4, false])
})
