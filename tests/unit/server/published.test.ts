import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { gunzipSync, brotliDecompressSync } from 'node:zlib'
import { makeDemo } from '#demo/index'
import { Formats } from '#core/drawing'
import type { Circumstance, Condition } from '#core/conditions'
import { sampleShopping } from '#core/shop'
import { Catalogue } from '#core/catalogue'
import { readAddress } from '#core/addresses'
import { answerOf } from '../../../server/services/answer'
import type { Content } from '../../../server/services/content'
import { encodingsOf } from '../../../server/services/encoding'
import { ANYBODY, type Asking, type Posts } from '../../../server/services/asked'
import { Published } from '../../../server/services/published'
import { Ready, ReadyPages } from '../../../server/services/ready'
import { countSaid } from '../../../server/shop/baskets'
import { answerVisitor } from '../../../server/services/visitors'
import { column, element, frame, layout, row, plain } from '../../fixtures'

/** The published site: one function answers a page, whoever asks for it. */

const { site, design: museum } = makeDemo()
/** The museum's design with a header of which nothing goes by whoever asks: how many things are in a basket is tested below. */
const design = {
  ...museum,
  layouts: museum.layouts.map((l) => JSON.parse(JSON.stringify(l).replaceAll('"basket-link"', '"spacer"')) as typeof l),
}
function contentOf(of = site): Content {
  const catalogue = new Catalogue(of)
  const search = async (words: string) => ({
    entries: catalogue.site.entries.filter((e) => e.title.toLowerCase().includes(words)),
    near: '',
    likely: [],
  })
  const likelyAt = async () => []
  return { catalogue, formats: new Formats(of.settings), search, likelyAt } as unknown as Content
}

function publish(more: Partial<typeof design> = {}, content = contentOf(), posts: Posts = {}): Published {
  const published = new Published(content, posts)
  published.swap({ ...design, ...more })
  return published
}
const get = (published: Published, address: string, asking: Asking = ANYBODY) =>
  published.answer(readAddress(address), asking)
const member: Asking = { ...ANYBODY, session: async () => ({ id: 4, role: 'member', name: 'Mina' }) }
const framed = (...onlyWhen: Circumstance[]) =>
  publish({
    frames: [
      ...design.frames,
      frame('extra', [{ kind: 'type', type: 'page' }], { header: { kind: 'empty' } }, { onlyWhen }),
    ],
  })
const KIOSK: Circumstance = { kind: 'parameter', name: 'kiosk', op: 'present', values: [] }

describe('what is kept ready', () => {
  test('a page is answered from what is kept, until a release', async () => {
    const published = publish()
    const first = await get(published, '/access')
    expect(first).toMatchObject({ status: 200, headers: { 'cache-control': 'public, max-age=0, must-revalidate' } })
    expect(published.readyAt('/access')!.answer).toBe(first)
    expect(await get(published, '/access')).toBe(first)
    published.swap(makeDemo(true).design)
    expect(published.readyAt('/access')).toBeUndefined()
    expect((await get(published, '/access')).etag).not.toBe(first.etag)
  })

  test('only parameters that the page reads make another copy, whatever their order', async () => {
    const published = publish()
    const plain = await get(published, '/access')
    expect(plain.depends.parameters).toEqual(new Set(['kiosk']))
    expect(await get(published, '/access?utm=1&from=letter')).toBe(plain)
    const kiosk = await get(published, '/access?a=1&kiosk=hall')
    expect(kiosk.body.toString()).not.toContain('<header>')
    expect(await get(published, '/access?kiosk=hall&b=2')).toBe(kiosk)
    expect(published.ready.size).toBe(2)
    const found = await get(published, '/search?x=1&q=clock')
    expect(found.body.toString()).toContain('value="clock"')
    expect(await get(published, '/search?q=clock')).toBe(found)
  })

  test('copies are bounded in number of bytes; those used least go first', async () => {
    const ready = new ReadyPages(0.05)
    const published = new Published(contentOf(), {}, ready)
    published.swap(design)
    for (let i = 0; i < 40; i++) await get(published, `/access?kiosk=${i}`)
    expect(ready.bytes).toBeLessThanOrEqual(0.05 * 1024 * 1024)
    expect(ready.size).toBeGreaterThan(1)
    expect(ready.get('/access?kiosk=39')).toBeDefined()
    expect(ready.get('/access?kiosk=0')).toBeUndefined()
    const none = new Published(contentOf(), {}, new ReadyPages(0))
    none.swap(design)
    expect(await get(none, '/access')).not.toBe(await get(none, '/access'))
  })

  test('the smallest form is made one after the other, and not of what was let go meanwhile', async () => {
    const pages = new ReadyPages()
    const made = Array.from({ length: 8 }, (_, i) => {
      const headers = { 'content-type': 'text/html' }
      const depends = { needs: new Set<never>(), parameters: new Set<string>(), seen: new Set([`page:${i}`]) }
      return new Ready(answerOf(200, headers, Buffer.from(`<p>${'a clock '.repeat(3_000)}${i}</p>`), depends))
    })
    for (const [i, ready] of made.entries()) pages.keep(`/${i}`, ready)
    const gone = made.slice(4)
    pages.drop(new Set(['page:4', 'page:5', 'page:6', 'page:7']))
    const kept = made.slice(0, 4)
    for (let i = 0; i < 200 && !kept.every((r) => r.has('br')); i++) await new Promise((done) => setTimeout(done, 20))
    expect(kept.map((r) => [r.has('gzip'), r.has('br')])).toEqual(kept.map(() => [true, true]))
    expect(gone.map((r) => r.has('br'))).toEqual(gone.map(() => false))
    expect([pages.size, pages.bytes]).toEqual([4, kept.reduce((n, r) => n + r.bytes, 0)])
  })

  test('addresses that are no page are answered alike, and not kept', async () => {
    const published = publish()
    for (const address of ['/nowhere', '/nowhere/at/all', '///', '/access%2f'])
      expect(await get(published, address)).toMatchObject({ status: 404 })
    expect(published.ready.size).toBe(0)
  })

  test('with letters beyond ASCII in the address, as browsers ask for it', async () => {
    const entries = site.entries.map((e) => (e.id === 'visit' ? { ...e, slug: 'zürich-été' } : e))
    const published = publish({}, contentOf({ ...site, entries }))
    await get(published, '/z%C3%BCrich-%C3%A9t%C3%A9')
    expect(published.readyAt('/z%C3%BCrich-%C3%A9t%C3%A9')?.answer.status).toBe(200)
  })

  test('what was drawn before a change that came meanwhile is not kept', async () => {
    const published = publish()
    const asked = get(published, '/access')
    published.swap(makeDemo(true).design)
    await asked
    expect(published.readyAt('/access')).toBeUndefined()
  })
})

describe('what a page depends on', () => {
  const shared = 'public, max-age=0, must-revalidate'
  test.each<[string, Circumstance[], Record<string, string | undefined>, boolean]>([
    ['nothing', [], { 'cache-control': shared, vary: 'accept-encoding' }, true],
    ['a parameter', [KIOSK], { 'cache-control': shared, vary: 'accept-encoding' }, true],
    [
      'the device',
      [{ kind: 'device', devices: ['phone'] }],
      {
        'cache-control': shared,
        vary: 'accept-encoding, sec-ch-ua-mobile, sec-ch-ua-platform, user-agent',
        'accept-ch': 'Sec-CH-UA-Mobile, Sec-CH-UA-Platform',
      },
      false,
    ],
    [
      'a role',
      [{ kind: 'role', roles: ['member'] }],
      { 'cache-control': 'private, no-cache', vary: 'accept-encoding, cookie' },
      false,
    ],
    ['the date', [{ kind: 'date', from: '2026-01-01', until: null, weekdays: [] }], { 'cache-control': shared }, false],
  ])('%s decides what caches may do with it', async (_, onlyWhen, headers, kept) => {
    const published = framed(...onlyWhen)
    expect((await get(published, '/access')).headers).toMatchObject(headers)
    expect(published.readyAt('/access') !== undefined).toBe(kept)
    // A frame that cannot cover a page changes nothing for it.
    const talk = await get(published, '/talks/winding-for-beginners')
    expect(talk.depends.needs).toEqual(new Set(['address']))
  })

  test('who is signed in is asked only where it makes a difference', async () => {
    let asked = 0
    const counting: Asking = { ...member, session: () => (asked++, member.session()) }
    await get(publish(), '/access', counting)
    expect(asked).toBe(0)
    await get(framed({ kind: 'role', roles: ['member'] }), '/access', counting)
    expect(asked).toBe(1)
  })

  test('only pages that may show a layout which reads the visitor are private', async () => {
    const greeting = layout(
      'greet',
      'header',
      row(column(12, element('heading', { text: { kind: 'field', of: 'visitor', field: 'name', fallback: 'Guest' } }))),
    )
    const covers = [{ kind: 'type' as const, type: 'talk' }]
    const frames = [...design.frames, frame('greeting', covers, { header: { kind: 'use', layout: 'greet' } })]
    const published = publish({ layouts: [...design.layouts, greeting], frames })
    const talk = await get(published, '/talks/winding-for-beginners', member)
    expect([talk.depends.needs.has('session'), talk.body.toString().includes('Mina')]).toEqual([true, true])
    expect((await get(published, '/access', member)).depends.needs.has('session')).toBe(false)
  })

  test('addresses are found with and without their slash, and what home shows leads home', async () => {
    const published = publish()
    expect(await get(published, '/access/?a=1')).toMatchObject({ status: 308, headers: { location: '/access?a=1' } })
    expect(await get(published, '/welcome')).toMatchObject({ status: 308, headers: { location: '/' } })
  })
})

describe('how many things are in the basket', () => {
  test('a page that says it is kept ready by that number, and everybody has their own', async () => {
    const counts = layout('counts', 'header', row(column(12, element('basket-link'))))
    const over = frame('counts', [{ kind: 'page', page: 'entry:access' }], {
      header: { kind: 'use', layout: 'counts' },
    })
    const changed = { ...design, layouts: [...design.layouts, counts], frames: [...design.frames, over] }
    const desk = { count: countSaid, leadsTo: [], shopping: async () => sampleShopping(contentOf().catalogue) }
    const published = new Published(contentOf(), {}, undefined, undefined, desk)
    published.swap(changed)
    const cookies = (count: number) => `of-basket=abc.${count}.seal`
    const ask = (cookie?: string) => get(published, '/access', { ...ANYBODY, cookies: cookie })
    const said = (answer: { body: Buffer }) => /basket-count">([^<]+)</.exec(answer.body.toString())?.[1] ?? ''
    // One is ready whether or not anybody asked for the page with nothing in the basket.
    const four = await ask(cookies(4))
    expect(published.readyAt('/access', cookies(4))!.answer).toBe(four)
    expect(published.readyAt('/access')).toBeUndefined()
    const [none, two, seven] = [await ask(), await ask(cookies(2)), await ask(cookies(7))]
    expect([none, two, seven].map(said)).toEqual(['', '2', '7'])
    expect(none.headers).toMatchObject({ 'cache-control': 'public, max-age=0, must-revalidate' })
    expect(none.headers.vary).toContain('cookie')
    expect(published.readyAt('/access')!.answer).toBe(none)
    expect(published.readyAt('/access', cookies(2))!.answer).toBe(two)
    expect(published.readyAt('/access', cookies(3))).toBeUndefined()
    expect(said(await ask('of-basket=abc.99999.x'))).toBe('99+')
    // Whatever a cookie says, there are no more than a hundred forms of a page.
    expect(await ask('of-basket=abc.12345.y')).toBe(await ask('of-basket=abc.99999.x'))
    expect(published.readyAt('/exhibits', cookies(5))).toBe(published.readyAt('/exhibits'))
  })
})

describe('over HTTP', () => {
  const posts: Posts = {
    'search-box': async ({ page, values }) =>
      answerOf(200, { 'content-type': 'text/plain' }, Buffer.from(`${page.key} ${values.q?.join()}`)),
  }
  const published = publish({}, contentOf(), posts)
  const media = { file: async () => null, bytesOf: async () => null } as never
  const cards = { draw: async () => null } as never
  const visited = { published, media, cards, founding: { open: false } }
  const server = createServer((request, response) => answerVisitor(visited, request, response, async () => null))
  let origin = ''
  beforeAll(async () => {
    await new Promise<void>((done) => server.listen(0, '127.0.0.1', done))
    origin = `http://127.0.0.1:${(server.address() as AddressInfo).port}`
  })
  afterAll(() => new Promise((done) => server.close(done)))

  const FORM = { 'content-type': 'application/x-www-form-urlencoded' }
  const post = (path: string, body: string, headers: Record<string, string> = FORM) =>
    fetch(origin + path, { method: 'POST', body, headers })

  test('a form is taken where a page holds an element that asks for it, and nowhere else', async () => {
    const taken = await post('/search', 'form=search-box&q=clock')
    expect([taken.status, await taken.text()]).toEqual([200, 'search clock'])
    const none = await post('/access', 'form=search-box')
    expect([none.status, none.headers.get('allow')]).toEqual([405, 'GET, HEAD'])
    expect((await post('/search', 'form=constructor')).status).toBe(422)
    expect((await post('/search', '')).status).toBe(422)
  })

  test.each<[string, Record<string, string>, string, number]>([
    ['of another site', { ...FORM, origin: 'https://elsewhere.example' }, 'form=search-box', 403],
    ['of an origin that is none', { ...FORM, origin: 'null' }, 'form=search-box', 403],
    ['sent by another site, by its own word', { ...FORM, 'sec-fetch-site': 'cross-site' }, 'form=search-box', 403],
    ['that is no form', { 'content-type': 'application/json' }, '{}', 415],
    ['too large', FORM, `form=search-box&q=${'x'.repeat(120_000)}`, 413],
  ])('a form %s is refused in a sentence', async (_, headers, body, status) => {
    const answer = await post('/search', body, headers)
    expect(answer.status).toBe(status)
    expect(await answer.text()).toMatch(/\.\n$/)
  })

  test('what is larger than a first flight is compressed before it is sent, what is smaller after', async () => {
    const [large, small] = [
      await published.ask(readAddress('/exhibits'), ANYBODY),
      await published.ask(readAddress('/access?kiosk'), ANYBODY),
    ]
    expect([large.answer.body.length > 14_000, large.has('gzip')]).toEqual([true, true])
    expect([small.answer.body.length > 14_000, small.has('gzip')]).toEqual([false, false])
  })

  test('a page goes out as the browser takes it, in brotli once that is made', async () => {
    const ask = (encoding: string) => fetch(`${origin}/access`, { headers: { 'accept-encoding': encoding } })
    const plain = await (await ask('identity')).text()
    const ready = published.readyAt('/access')!
    for (let i = 0; i < 200 && !ready.has('br'); i++) await new Promise((done) => setTimeout(done, 20))
    const zipped = await ask('gzip')
    expect([zipped.headers.get('content-encoding'), await zipped.text()]).toEqual(['gzip', plain])
    expect(brotliDecompressSync(ready.in(['br']).body).toString()).toBe(plain)
    expect(gunzipSync(ready.in(['gzip']).body).toString()).toBe(plain)
    const best = await ask('gzip, br')
    expect([best.headers.get('content-encoding'), await best.text()]).toEqual(['br', plain])
    expect((await ask('gzip;q=0, br;q=0')).headers.get('content-encoding')).toBeNull()
  })
})

test.each<[string, string[]]>([
  ['gzip, deflate, br', ['br', 'gzip', 'identity']],
  ['gzip;q=0', ['identity']],
  ['br;q=0.1, gzip', ['gzip', 'identity', 'br']],
  ['*', ['br', 'gzip', 'identity']],
  ['', ['identity']],
  ['nonsense', ['identity']],
])('what is taken of "%s"', (text, taken) => {
  expect([...encodingsOf(text)].sort()).toEqual([...taken].sort())
  expect(encodingsOf(text)[0]).toBe(taken[0])
})

test('an answer that stands ready in no encoding that is taken goes out as it is', () => {
  const ready = new Ready(answerOf(200, {}, Buffer.from('words')))
  expect(ready.in(['br']).body.toString()).toBe('words')
})

describe('what things ask for before they are shown', () => {
  const asking = (...when: Condition[]) => {
    const house = design.layouts.find((l) => l.id === 'house-footer')!
    const only = { ...row(column(12, element('heading', { text: 'For some of you' }, 'some'))), when }
    return publish({
      layouts: design.layouts.map((l) => (l === house ? { ...l, children: [...plain(l).children, only] } : l)),
    })
  }
  const says = async (published: Published, address: string, who?: Asking) =>
    (await get(published, address, who)).body.toString().includes('For some of you')

  test('by who is signed in: its pages are private and never kept for others', async () => {
    const published = asking({ kind: 'signed-in', yes: true })
    expect([await says(published, '/access', member), await says(published, '/access')]).toEqual([true, false])
    const { headers } = await get(published, '/access')
    expect(headers).toMatchObject({ 'cache-control': 'private, no-cache', vary: 'accept-encoding, cookie' })
    expect(published.readyAt('/access')).toBeUndefined()
  })

  test('an answer keeps to the design with which it began, also where another is released meanwhile', async () => {
    const published = asking({ kind: 'signed-in', yes: true })
    const before = (await get(published, '/access', member)).body.toString()
    const meanwhile: Asking = {
      ...member,
      session: async () => {
        published.swap(makeDemo(true).design)
        return member.session()
      },
    }
    expect((await get(published, '/access', meanwhile)).body.toString()).toBe(before)
    expect((await get(published, '/access', member)).body.toString()).not.toBe(before)
  })

  test('by an address parameter: it makes another copy, and only it', async () => {
    const published = asking({ kind: 'parameter', name: 'tour', op: 'is', values: ['night'] })
    expect([await says(published, '/access?tour=night'), await says(published, '/access?tour=day')]).toEqual([
      true,
      false,
    ])
    expect((await get(published, '/access')).depends.parameters).toEqual(new Set(['kiosk', 'tour']))
  })

  test('by a field of the entry: nothing of who asks is read', async () => {
    const published = asking({ kind: 'field', field: 'maker', op: 'is-not-empty', value: null })
    expect([await says(published, '/exhibits/the-night-regulator'), await says(published, '/access')]).toEqual([
      true,
      false,
    ])
    expect((await get(published, '/access')).depends).toEqual((await get(publish(), '/access')).depends)
  })
})
