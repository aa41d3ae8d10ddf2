import { readFileSync } from 'node:fs'
import type { Entry } from '#core/model'
import type { DeadLinksAnswer, LikelyAnswer, LostAnswer } from '#shared/api/types'
import { type TestServer, startServer } from '../server'
import { ALL_ROLES, type Client, everyone } from './client'

/** Lost addresses and searches without result: what is counted, what is not, and that it stays in bounds. Font files. */

let server: TestServer
let who: Record<string, Client>
beforeAll(async () => {
  server = await startServer()
  who = await everyone(server)
}, 60_000)
afterAll(() => server.stop())

const PERSON = 'Mozilla/5.0 (X11; Linux x86_64; rv:140.0) Gecko/20100101 Firefox/140.0'
const BOT = 'Mozilla/5.0 (compatible; Examplebot/2.1; +http://example.org/bot.html)'
const visit = (path: string, headers: Record<string, string> = {}) =>
  fetch(server.origin + path, { redirect: 'manual', headers: { 'user-agent': PERSON, ...headers } })
const report = async () => (await who.ada!.call('GET', '/visitors/lost?days=7')).body as unknown as LostAnswer
const lost = async (address: string) => (await report()).addresses.find((a) => a.address === address)

test('a lost address is counted with where people came from, and nothing of who asked', async () => {
  await visit('/old/clock?session=secret', { referer: `${server.origin}/stories?x=1`, cookie: 'a=b' })
  await visit('/old/clock', { referer: 'https://elsewhere.example.org/links?user=7' })
  await visit('/old/clock', { 'user-agent': BOT })
  const found = (await lost('/old/clock'))!
  expect(found).toMatchObject({ what: 'page', hits: 2, bots: 1, leads: false })
  expect(found.origins).toEqual(
    expect.arrayContaining([
      { origin: '/stories', hits: 1 },
      { origin: 'elsewhere.example.org', hits: 1 },
    ]),
  )
  const { days } = await report()
  expect(days).toHaveLength(7)
  expect(days.at(-1)).toMatchObject({ pages: 2, bots: 1 })
  expect(JSON.stringify(await report())).not.toMatch(/secret|user=7|Firefox|127\.0\.0/)
})

test('pictures and files stand apart from pages; what is there is not counted', async () => {
  await visit('/pictures/gone/x.jpg')
  await visit('/wp-content/logo.png')
  await visit('/visit')
  expect(await lost('/wp-content/logo.png')).toMatchObject({ what: 'file' })
  expect(await lost('/pictures/gone/x.jpg')).toMatchObject({ what: 'file' })
  expect(await lost('/visit')).toBeUndefined()
})

test('searches without result are counted, those with one are not, also when they are answered from what is kept', async () => {
  for (let i = 0; i < 3; i++) await visit('/search?q=Zyzzyva%20%20moth')
  await visit('/search?q=clock')
  await visit('/search?q=zyzzyva moth', { 'user-agent': BOT })
  const { searches, days } = await report()
  expect(searches).toEqual([expect.objectContaining({ words: 'zyzzyva moth', hits: 3 })])
  expect(days.at(-1)!.searches).toBe(3)
})

test('the page that was meant is offered, one press leads there, and it is told that it leads somewhere now', async () => {
  await visit('/exhibits/fenwik-turret-clok')
  const { likely } = (await who.ada!.call('GET', '/visitors/likely?address=/exhibits/fenwik-turret-clok'))
    .body as unknown as LikelyAnswer
  expect(likely[0]).toMatchObject({ page: 'entry:fenwick-turret-clock', address: '/exhibits/fenwick-turret-clock' })
  const put = [{ address: '/exhibits/fenwik-turret-clok', to: { page: likely[0]!.page } }]
  expect((await who.ada!.call('POST', '/redirects', { put })).status).toBe(200)
  const answer = await visit('/exhibits/fenwik-turret-clok')
  expect([answer.status, answer.headers.get('location')]).toEqual([301, '/exhibits/fenwick-turret-clock'])
  expect(await lost('/exhibits/fenwik-turret-clok')).toMatchObject({ leads: true })
  for (const odd of ['', '/visitors/likely', '/visitors/likely?address=a&address=b'])
    expect((await who.ada!.call('GET', odd || '/visitors/likely?address=')).status).toBe(200)
})

test('writers look, designers see to it', async () => {
  const statuses = async (method: string, path: string, body?: object) => {
    const found: number[] = []
    for (const by of ALL_ROLES) found.push((await who[by]!.call(method, path, body)).status)
    return found
  }
  expect(await statuses('GET', '/visitors/lost')).toEqual([401, 403, 200, 200, 200])
  expect(await statuses('GET', '/visitors/likely?address=/x')).toEqual([401, 403, 200, 200, 200])
  expect(await statuses('POST', '/visitors/forget', { addresses: ['/old/clock'] })).toEqual([401, 403, 403, 200, 200])
  expect(await lost('/old/clock')).toBeUndefined()
  expect((await who.ada!.call('POST', '/visitors/forget', { addresses: [7] })).status).toBe(422)
})

test('a flood from many addresses is counted by its number, and the site goes on answering', async () => {
  const flood = Array.from({ length: 1500 }, (_, i) => `/flood/${i}-${'x'.repeat(400)}`)
  for (let i = 0; i < flood.length; i += 50) await Promise.all(flood.slice(i, i + 50).map((path) => visit(path)))
  expect((await visit('/visit')).status).toBe(200)
  const { addresses, days } = await report()
  expect(days.at(-1)!.pages).toBeGreaterThanOrEqual(1500)
  expect(addresses.length).toBeLessThanOrEqual(500)
  for (const { address } of addresses) expect(address.length).toBeLessThanOrEqual(300)
}, 60_000)

test('links typed in entries to nowhere are told, with the name of the site before them or without', async () => {
  const told = async () =>
    ((await who.wim!.call('GET', '/checks/links')).body as unknown as DeadLinksAnswer).dead.map((d) => d.address)
  expect(await told()).toEqual([])
  const { entry, revision } = (await who.wim!.call('GET', '/entries/quaker-longcase')).body as unknown as {
    entry: Entry
    revision: number
  }
  const put = (film: string, at: number) =>
    who.wim!.call('PUT', `/entries/${entry.id}`, {
      entry: { ...entry, fields: { ...entry.fields, film } },
      revision: at,
    })
  expect((await put('https://quillmere.example.org/lost-film', revision)).status).toBe(200)
  expect(await told()).toEqual(['/lost-film'])
  expect((await put('/lost-reel', revision + 1)).status).toBe(200)
  expect(await told()).toEqual(['/lost-reel'])
  expect((await put('/visit', revision + 2)).status).toBe(200)
  expect(await told()).toEqual([])
  expect((await who.mina!.call('GET', '/checks/links')).status).toBe(403)
})

const CAVEAT = 'node_modules/@fontsource-variable/caveat/files/caveat-latin-wght-normal.woff2'
async function font(bytes: Buffer, by = 'ada', name = 'a.woff2') {
  const headers = { 'content-type': 'application/octet-stream' }
  const answer = await who[by]!.fetch(`/api/fonts?name=${name}`, {
    method: 'POST',
    body: new Uint8Array(bytes) as never,
    headers,
  })
  return { status: answer.status, body: (await answer.json()) as Record<string, unknown> }
}

test('a font file tells what face it holds; one that is none, is cut off or is spoilt is refused', async () => {
  const bytes = readFileSync(CAVEAT)
  const taken = await font(bytes, 'ada', '../../caveat bold.woff2')
  expect(taken).toMatchObject({ status: 200, body: { family: 'Caveat', style: 'normal', weight: '400 700' } })
  const served = await visit(`/files/${String(taken.body.file)}/${encodeURIComponent(String(taken.body.fileName))}`)
  expect([served.status, served.headers.get('content-type')]).toEqual([200, 'font/woff2'])
  const code = async (spoilt: Buffer) => {
    const { status, body } = await font(spoilt)
    return [status, (body.problem as { code: string } | undefined)?.code]
  }
  expect(await code(Buffer.from('<html>'))).toEqual([422, 'font-kind'])
  expect(await code(bytes.subarray(0, 5000))).toEqual([422, 'font-kind'])
  expect(await code(Buffer.alloc(0))).toEqual([422, 'file-empty'])
  const torn = Buffer.from(bytes)
  torn.fill(0x55, 120)
  expect(await code(torn)).toEqual([422, 'font-broken'])
  const bomb = Buffer.from(bytes)
  bomb.writeUInt32BE(2_000_000_000, 16)
  expect(await code(bomb)).toEqual([422, 'font-large'])
  for (const [by, status] of [
    ['wim', 403],
    ['orla', 200],
  ] as const)
    if (who[by]) expect([by, (await font(bytes, by)).status]).toEqual([by, status])
})
