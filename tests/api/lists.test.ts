import { withoutOurScripts } from '../fixtures'
import { HtmlValidate } from 'html-validate'
import { type TestServer, startServer } from '../server'
import { Client, visit } from './client'

/** Lists of the museum by their addresses: narrowed, leafed through, asked for what they do not have. */

let server: TestServer
beforeAll(async () => {
  server = await startServer()
}, 60_000)
afterAll(() => server.stop())

const get = async (path: string) => {
  const { text, ...answer } = await visit(server, path)
  return { ...answer, html: text }
}
/** The entries of the list on a page, in their order. */
const listed = (html: string): string[] => {
  const list = html.slice(html.indexOf(' data-list>'), html.indexOf('</main>'))
  return [...new Set([...list.matchAll(/href="\/exhibits\/([\w-]+)"/g)].map((m) => m[1]!))]
}

test('screens one after the other show every exhibit once', async () => {
  const all: string[] = []
  for (const path of ['/exhibits', '/exhibits?page=2', '/exhibits?page=3']) all.push(...listed((await get(path)).html))
  expect(all).toHaveLength(36)
  expect(new Set(all).size).toBe(36)
})

test.each([
  '/exhibits?page=4',
  '/exhibits?page=0',
  '/exhibits?page=1e9',
  '/exhibits?page=-1',
  '/exhibits?room=tower-room&page=2',
])('%s is not found, in the design of what is not', async (path) => {
  const { status, html } = await get(path)
  expect(status).toBe(404)
  expect(html).toContain('This page has stopped')
})

test.each([
  ['/exhibits?page=1', '/exhibits'],
  ['/exhibits?mechanism=&room=tower-room&height-from=&height-to=&q=&sort=', '/exhibits?room=tower-room'],
  ['/exhibits?room=nowhere&room=%3Cscript%3E', '/exhibits'],
  ['/exhibits?strikes=yes&room=tower-room', '/exhibits?room=tower-room&strikes=yes'],
  ['/exhibits?made-from=1900&made-to=1700', '/exhibits?made-from=1700&made-to=1900'],
  [`/exhibits?${Array.from({ length: 10_000 }, (_, i) => `room=r${i}`).join('&')}`.slice(0, 8000), '/exhibits'],
])('what is asked has one address: %.60s', async (asked, well) => {
  expect(await get(asked)).toMatchObject({ status: 302, to: well })
  expect((await get(well)).status).toBe(200)
})

test('narrowed, searched, sorted: by words, choices, ranges and orders together', async () => {
  const { html } = await get('/exhibits?q=clock&room=tower-room&made-to=1800&sort=made')
  expect(listed(html)).toEqual(expect.arrayContaining(['fenwick-turret-clock']))
  expect(html).toContain('<meta name="robots" content="noindex">')
  const made = [...html.matchAll(/, (1\d\d\d)<\/p>/g)].map((m) => Number(m[1]))
  expect(made.length).toBeGreaterThan(1)
  expect(made).toEqual([...made].sort((a, b) => a - b))
  expect(Math.max(...made)).toBeLessThanOrEqual(1800)
  // Nobody looks for so much: the rest is left off.
  expect(await get(`/exhibits?q=${'x'.repeat(6000)}`)).toMatchObject({
    status: 302,
    to: `/exhibits?q=${'x'.repeat(200)}`,
  })
  const none = await get(`/exhibits?q=${'x'.repeat(200)}`)
  expect(none.html).toContain('No exhibit is all of that.')
  // What the search engine takes for its own signs is looked for as words.
  for (const odd of ['"', 'AND OR NOT', 'NEAR(a b)', 'a*b^c', '(((', "';--"])
    expect((await get(`/exhibits?q=${encodeURIComponent(odd)}`)).status).toBe(200)
})

test('is valid however it is asked, and carries no script but those of its elements', async () => {
  const validator = new HtmlValidate({
    extends: ['html-validate:recommended'],
    rules: {
      'doctype-style': 'off',
      'void-style': 'off',
      'no-implicit-input-type': 'off',
      'long-title': 'off',
      'form-dup-name': ['error', { shared: ['checkbox', 'submit'] }],
    },
  })
  for (const path of [
    '/exhibits?room=tower-room&strikes=yes&q=clock&sort=title',
    '/exhibits?made-from=1700&page=2',
    '/exhibits?q=zzzz',
  ]) {
    const { html } = await get(path)
    expect(withoutOurScripts(html)).not.toMatch(/<script|\son[a-z]+=/i)
    const report = await validator.validateString(html)
    expect(report.results.flatMap((r) => r.messages.map((m) => `${path} ${m.ruleId}: ${m.message}`))).toEqual([])
  }
})

test('an exhibit that is stored is in the list and in its counts at once, on every screen that is kept ready', async () => {
  const count = async () => /tower-room"[^>]*> Tower Room <span[^>]*>(\d+)</.exec((await get('/exhibits')).html)?.[1]
  const before = Number(await count())
  const wim = await new Client(server).open()
  await wim.signIn('orla')
  const does = { ids: ['fenwick-turret-clock'], does: { kind: 'remove' } }
  expect((await wim.call('POST', '/entries/change', does)).status).toBe(200)
  expect(Number(await count())).toBe(before - 1)
  expect(listed((await get('/exhibits?room=tower-room')).html)).not.toContain('fenwick-turret-clock')
})
