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
