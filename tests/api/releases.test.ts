import Database from 'better-sqlite3'
import { join } from 'node:path'
import type { CompareAnswer, ReleasesAnswer } from '#shared/api/types'
import { type TestServer, startServer } from '../server'
import { Client } from './client'

/** Releases taken back, and two designs side by side. */

let server: TestServer
let ada: Client
beforeAll(async () => {
  server = await startServer()
  ada = await new Client(server).open()
  await ada.signIn('ada')
}, 40_000)
afterAll(() => server.stop())

const releases = async () => (await ada.call('GET', '/releases')).body as unknown as ReleasesAnswer
const compare = (query: string) =>
  ada.call('GET', `/releases/compare?${query}`) as unknown as Promise<{ status: number; body: CompareAnswer }>
const header = async () => /<header[\s\S]*<\/header>/.exec(await (await fetch(`${server.origin}/visit`)).text())?.[0]

let made = 0
async function edit(edit: object) {
  const { body } = await ada.call('GET', '/layouts/house-header')
  const edits = [{ id: `x${++made}`, does: 'edit', edit }]
  return ada.call('POST', '/layouts/house-header/edits', { revision: body.revision, edits })
}

test('there is nothing to take back before the second release', async () => {
  const { status, body } = await ada.call('POST', '/releases/back')
  expect([status, body.problem.code]).toEqual([409, 'nothing-to-take-back'])
})

test('a release says on how many pages it differs; taken back, visitors see the one before at once, and the draft stays', async () => {
  const before = await header()
  await edit({ kind: 'setProperty', id: 'house-header-3', property: 'text', unset: true })
  expect((await releases()).waiting).toMatchObject([{ id: 'house-header', also: ['Tower header'] }])
  const answer = await ada.call('POST', '/releases', { note: 'No notice' })
  expect(answer.status).toBe(200)
  // Pages in the tower have the variation, in which there is no notice.
  const { pages } = answer.body as unknown as { pages: number }
  expect(pages).toBeGreaterThan(50)
  expect(await header()).not.toBe(before)

  const wim = await new Client(server).open()
  await wim.signIn('wim')
  expect((await wim.call('POST', '/releases/back')).status).toBe(403)
  const back = await ada.call('POST', '/releases/back')
  expect(back.body).toMatchObject({ number: 3, note: 'Release 2 taken back: as release 1 was', pages })
  expect(await header()).toBe(before)
  const now = await releases()
  expect(now.waiting).toMatchObject([{ id: 'house-header' }])
  expect(now.releases.map((r) => r.number)).toEqual([3, 2, 1])
  // Once more, and it is there again.
  await ada.call('POST', '/releases/back')
  expect(await header()).not.toBe(before)
  expect((await releases()).waiting).toEqual([])
})

test('two releases, or one and the draft, are told apart; what is none is refused', async () => {
  const { body } = await compare('before=1&after=2')
  expect(body.changes).toMatchObject([{ what: 'layout', how: 'changed', id: 'house-header' }])
  expect(body.before.layouts).toHaveLength(body.after.layouts.length)
  expect((await compare('before=2&after=1')).body.changes).toHaveLength(1)
  expect((await compare('before=1&after=3')).body.changes).toEqual([])
  expect((await compare('before=2&after=draft')).body.changes).toEqual([])
  for (const wrong of ['', 'before=1', 'before=1&after=99', 'before=one&after=draft', 'before=1&after=1e1'])
    expect((await compare(wrong)).status).toBe(404)
  const stranger = await new Client(server).open()
  expect((await stranger.call('GET', '/releases/compare?before=1&after=2')).status).toBe(401)
})

test('a release that is spoilt is compared and taken back with what of it can be read', async () => {
  const db = new Database(join(server.data, 'outer-frame.sqlite'))
  db.exec('drop trigger releases_stay')
  const spoil = db.prepare('update releases set design = ? where number = ?')
  spoil.run('{"layouts": [{"kind": "layout"}], "frames": 7}', 3)
  db.close()
  const { body } = await compare('before=3&after=draft')
  expect([body.before.layouts, body.before.frames]).toEqual([[], []])
  expect(body.changes.length).toBeGreaterThan(10)
  expect((await ada.call('POST', '/releases/back')).status).toBe(200)
  expect((await fetch(`${server.origin}/visit`)).status).toBe(200)
})
