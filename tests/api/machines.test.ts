import sharp from 'sharp'
import { type TestServer, startServer } from '../server'
import { Client, visit } from './client'

/** Files for programs, as the server answers them. */

let server: TestServer
beforeAll(async () => {
  server = await startServer()
}, 60_000)
afterAll(() => server.stop())

const get = (path: string) => visit(server, path)

test.each([
  ['/sitemap.xml', 'application/xml; charset=utf-8', '<urlset'],
  ['/atom.xml', 'application/atom+xml; charset=utf-8', '<entry>'],
  ['/stories/atom.xml', 'application/atom+xml; charset=utf-8', '<entry>'],
  ['/talks/calendar.ics', 'text/calendar; charset=utf-8', 'BEGIN:VEVENT'],
])('%s is there, as what it is', async (path, type, holds) => {
  const answer = await get(path)
  expect(answer).toMatchObject({ status: 200, type })
  expect(answer.text).toContain(holds)
})

test('what is not there is not found, and robots are told what is', async () => {
  for (const path of [
    '/visit/atom.xml',
    '/sitemap-1.xml',
    '/stories/calendar.ics',
    '/sitemap-999999999.xml',
    '/%00/atom.xml',
  ])
    expect((await get(path)).status).toBe(404)
  expect((await get('/robots.txt')).text).toContain('Sitemap: https://quillmere.example.org/sitemap.xml')
})

test('a page names what goes with it', async () => {
  const { text } = await get('/talks')
  expect(text).toContain('<link rel="alternate" type="text/calendar" href="/talks/calendar.ics">')
  expect(text).toContain('<meta property="og:title" content="Talks – Quillmere Clock Museum">')
  const linked = JSON.parse(/<script type="application\/ld\+json">(.*?)<\/script>/.exec(text)![1]!) as object
  expect(linked).toMatchObject({ '@context': 'https://schema.org' })
})

test('they go with the content: what is stored is told at once', async () => {
  const [first] = /<entry>.*?<\/entry>/s.exec((await get('/stories/atom.xml')).text)!
  const title = /<title>(.*?)<\/title>/.exec(first)![1]!
  const wim = await new Client(server).open()
  await wim.signIn('wim')
  const id = /#([\w-]+)<\/id>/.exec(first)![1]!
  expect((await wim.call('POST', '/entries/change', { ids: [id], does: { kind: 'remove' } })).status).toBe(200)
  expect((await get('/stories/atom.xml')).text).not.toContain(`<title>${title}</title>`)
  expect((await get('/sitemap.xml')).text).not.toContain(`/${id}<`)
})

const imageOf = (html: string): string | undefined =>
  /<meta property="og:image" content="https:\/\/quillmere\.example\.org([^"]+)"/.exec(html)?.[1]

test('a page without a picture that can be shown is shared with one that is drawn, as large as it says', async () => {
  for (const path of ['/visit', '/', '/exhibits', '/rooms/tower-room', '/exhibits/unlabelled-crate']) {
    const { text } = await get(path)
    const address = imageOf(text)!
    expect(address).toMatch(/^\/_of\/shared\//)
    const answer = await fetch(server.origin + address)
    expect([answer.status, answer.headers.get('content-type')]).toEqual([200, 'image/png'])
    expect(answer.headers.get('cache-control')).toContain('immutable')
    const { width, height } = await sharp(Buffer.from(await answer.arrayBuffer())).metadata()
    expect([width, height]).toEqual([1200, 630])
    expect(text).toContain('<meta property="og:image:width" content="1200">')
  }
  expect((await fetch(`${server.origin}/visit`)).headers.get('content-language')).toBe('en-GB')
})

test('a picture of before leads to that of now; what is no page has none, however it is asked for', async () => {
  const now = imageOf((await get('/visit')).text)!
  const before = await fetch(`${server.origin}/_of/shared/latest/entry%3Avisit.png`, { redirect: 'manual' })
  expect([before.status, before.headers.get('location')]).toEqual([302, now])
  for (const path of [
    '/_of/shared/latest/entry%3Anowhere.png',
    '/_of/shared/latest/search.png/more',
    '/_of/shared/',
    '/_of/shared/latest/%00.png',
    '/_of/shared/latest/__proto__.png',
    '/_of/shared/latest/not-found.png',
    `/_of/shared/${'a'.repeat(5000)}/home.png`,
    '/_of/shared/latest/..%2F..%2Fhome.png',
  ])
    expect([path.slice(0, 60), (await get(path)).status]).toEqual([path.slice(0, 60), 404])
})

test('very many who ask for pictures at once are answered, all of them', async () => {
  const { text } = await get('/sitemap.xml')
  const paths = [...text.matchAll(/<loc>https:\/\/quillmere\.example\.org(\/[^<]*)<\/loc>/g)].map((m) => m[1]!)
  const addresses = await Promise.all(paths.slice(0, 60).map(async (path) => imageOf((await get(path)).text)))
  const answers = await Promise.all(
    addresses.flatMap((a) => (a?.startsWith('/_of/shared/') ? [fetch(server.origin + a)] : [])),
  )
  expect(answers.length).toBeGreaterThan(20)
  expect(new Set(answers.map((a) => a.status).filter((s) => s !== 200 && s !== 503))).toEqual(new Set())
})
