import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Client } from '../api/client'
import { type TestServer, startServer } from '../server'

/** Two server processes on one data folder: what one stores the other serves within a second. */

const folder = mkdtempSync(join(tmpdir(), 'outer-frame-two-'))
let servers: TestServer[] = []
const clients: Client[] = []
beforeAll(async () => {
  // Both at once on an empty folder: one fills it, and the other finds it filled.
  servers = await Promise.all([startServer({ data: folder }), startServer({ data: folder })])
  for (const server of servers) {
    const client = await new Client(server).open()
    expect((await client.signIn('ada')).status).toBe(200)
    clients.push(client)
  }
}, 90_000)
afterAll(async () => {
  await Promise.all(servers.map((s) => s.stop()))
  rmSync(folder, { recursive: true, force: true })
}, 60_000)

const pageAt = async (server: number, path: string) => (await fetch(servers[server]!.origin + path)).text()

/** Asks again until a page says something, and how long that took, in milliseconds. */
async function until(server: number, path: string, words: string): Promise<number> {
  const start = performance.now()
  while (!(await pageAt(server, path)).includes(words)) {
    if (performance.now() - start > 10_000) throw new Error(`${path} never said ${words}`)
    await new Promise((done) => setTimeout(done, 25))
  }
  return performance.now() - start
}

test('an entry stored by one is served by the other, and so is a release', async () => {
  const [one, two] = clients as [Client, Client]
  // Kept ready by the other before anything changes.
  expect(await pageAt(1, '/visit')).toContain('Visit')
  const { entry, revision } = (await one.call('GET', '/entries/visit')).body as never as {
    entry: { title: string }
    revision: number
  }
  const stored = await one.call('PUT', '/entries/visit', { entry: { ...entry, title: 'Come and see' }, revision })
  expect(stored.status).toBe(200)
  // Within a second on a quiet machine; tests assert no time of a busy one.
  await until(1, '/visit', 'Come and see')
  const edit = { kind: 'rename', id: 'house-header', name: 'Header of both' }
  const { body } = await two.call('GET', '/layouts/house-header')
  const at = (body as never as { revision: number }).revision
  expect(
    (await two.call('POST', '/layouts/house-header/edits', { revision: at, edits: [{ id: 'r1', edit, does: 'edit' }] }))
      .status,
  ).toBe(200)
  const text = { kind: 'setDefault', of: 'column', property: 'background', step: 'wide', value: '#123456' }
  expect(
    (
      await one.call('POST', '/layouts/house-header/edits', {
        revision: at + 1,
        edits: [{ id: 'r2', edit: text, does: 'edit' }],
      })
    ).status,
  ).toBe(200)
  expect((await two.call('POST', '/releases', { note: 'From the second' })).status).toBe(200)
  await until(0, '/visit', '#123456')
})

test('both write at once, and nothing is lost or refused', async () => {
  const frames = Array.from({ length: 24 }, (_, i) => ({
    id: `both-${i}`,
    name: `Both ${i}`,
    on: false,
    covers: [{ kind: 'every' }],
    except: [],
    onlyWhen: [],
    regions: Object.fromEntries(['header', 'intro', 'body', 'footer'].map((r) => [r, { kind: 'pass' }])),
    outranks: false,
    order: i,
    offeredTo: [],
  }))
  const answers = await Promise.all(
    frames.map((frame, i) => clients[i % 2]!.call('PUT', `/frames/${frame.id}`, { frame, revision: 0 })),
  )
  expect(answers.map((a) => a.status)).toEqual(frames.map(() => 200))
  const { frames: kept } = (await clients[1]!.call('GET', '/design')).body as never as {
    frames: { frame: { id: string } }[]
  }
  expect(kept.filter((f) => f.frame.id.startsWith('both-'))).toHaveLength(24)
})

test('settings that are stored at both are kept, whichever came first', async () => {
  const orla = await Promise.all(
    servers.map(async (server) => {
      const client = await new Client(server).open()
      await client.signIn('orla')
      return client
    }),
  )
  for (let i = 0; i < 10; i++) {
    const stored = await Promise.all([
      orla[0]!.call('PUT', '/settings', { change: { name: `Museum ${i}` } }),
      orla[1]!.call('PUT', '/settings', { change: { tagline: `Tagline ${i}` } }),
    ])
    expect(stored.map((s) => s.status)).toEqual([200, 200])
    for (const client of orla) {
      const settings = async () => {
        const { body } = await client.call('GET', '/site')
        const { name, tagline } = (body as never as { site: { settings: { name: string; tagline: string } } }).site
          .settings
        return `${name}, ${tagline}`
      }
      // Each hears of the other within moments.
      const begun = performance.now()
      while ((await settings()) !== `Museum ${i}, Tagline ${i}` && performance.now() - begun < 10_000)
        await new Promise((done) => setTimeout(done, 50))
      expect(await settings()).toBe(`Museum ${i}, Tagline ${i}`)
    }
  }
})

test('entries made at both at once under one title have addresses of their own', async () => {
  const ids = Array.from({ length: 12 }, (_, i) => `twin-${i}`)
  const made = await Promise.all(
    ids.map((id, i) => clients[i % 2]!.call('POST', '/entries', { id, type: 'story', title: 'One and the same' })),
  )
  expect(made.map((m) => m.status)).toEqual(ids.map(() => 200))
  const slugs = made.map((m) => (m.body as never as { entry: { slug: string } }).entry.slug)
  expect(new Set(slugs).size).toBe(ids.length)
  // Given by hand, the second is refused at its field.
  const [first, second] = await Promise.all(
    [0, 1].map(async (i) => {
      const { entry, revision } = (await clients[i]!.call('GET', `/entries/${ids[i]}`)).body as never as {
        entry: object
        revision: number
      }
      return clients[i]!.call('PUT', `/entries/${ids[i]}`, { entry: { ...entry, slug: 'by-hand' }, revision })
    }),
  )
  expect([first!.status, second!.status].sort()).toEqual([200, 422])
})

test('who signs out at one is signed out at the other', async () => {
  const [one] = clients as [Client]
  const elsewhere = await new Client(servers[1]!).open()
  elsewhere.setCookie('__Host-outer-frame', one.cookie('__Host-outer-frame')!)
  expect((await elsewhere.call('GET', '/design')).status).toBe(200)
  await one.call('DELETE', '/session')
  expect((await elsewhere.call('GET', '/design')).status).toBe(401)
})
