import Database from 'better-sqlite3'
import { join } from 'node:path'
import type { CompareAnswer, EntryAnswer, ReleasesAnswer } from '#shared/api/types'
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

async function editOf(id: string, what: object) {
  const { body } = await ada.call('GET', `/layouts/${id}`)
  const edits = [{ id: `y${++made}`, does: 'edit', edit: what }]
  return ada.call('POST', `/layouts/${id}/edits`, { revision: body.revision, edits })
}
const about = (id: string, words: string) => editOf(id, { kind: 'describe', about: words })
const waitingIds = async () => (await releases()).waiting.map((c) => c.id)

test('some of what waits is released, and the rest waits on', async () => {
  await ada.call('POST', '/releases', { note: 'All that waits' })
  await about('talk-page', 'Released now')
  await about('story-page', 'Left for later')
  expect(await waitingIds()).toEqual(['talk-page', 'story-page'])
  const leave = ['layout story-page']
  expect((await ada.call('POST', '/releases', { leave })).status).toBe(200)
  expect(await waitingIds()).toEqual(['story-page'])
  const released = (await releases()).released!
  expect(released.layouts.find((l) => l.id === 'talk-page')?.about).toBe('Released now')
  expect((await ada.call('POST', '/releases', { leave })).body.problem.code).toBe('nothing-to-release')
  for (const wrong of [['layout'], 'all', [7], ['page x']])
    expect((await ada.call('POST', '/releases', { leave: wrong })).status).toBe(422)
})

const planned = async () => (await releases()).plans
async function became(id: number, state: string): Promise<void> {
  for (let i = 0; i < 60; i++) {
    if ((await planned()).find((p) => p.id === id)?.state === state) return
    await new Promise((resolve) => setTimeout(resolve, 250))
  }
  throw new Error(`plan ${id} never became ${state}`)
}

test('a release is set for a moment with what stands then, and undone at another; what came between stays', async () => {
  await about('results', 'As it was set')
  const at = Date.now() + 500
  const { status, body } = await ada.call('POST', '/releases/plans', { note: 'Later', at, until: at + 1500 })
  expect(status).toBe(200)
  const { id } = body as unknown as { id: number }
  // What is changed after it was set is not in it.
  await about('results', 'Changed after')
  await about('home', 'Between')
  await ada.call('POST', '/releases', { leave: ['layout results', 'layout story-page'] })
  await became(id, 'done')
  const then = (await releases()).released!
  expect(then.layouts.find((l) => l.id === 'results')?.about).toBe('As it was set')
  await became(id, 'undone')
  const now = (await releases()).released!
  expect(now.layouts.find((l) => l.id === 'results')?.about).not.toBe('As it was set')
  expect(now.layouts.find((l) => l.id === 'home')?.about).toBe('Between')
}, 40_000)

test('a moment that has passed, an end before its beginning, and one that is gone are refused', async () => {
  const set = (input: object) => ada.call('POST', '/releases/plans', input)
  expect((await set({ at: 1000 })).body.problem.code).toBe('plan-past')
  const at = Date.now() + 60_000
  expect((await set({ at, until: at })).body.problem.code).toBe('plan-order')
  expect((await set({})).status).toBe(422)
  const { body } = await set({ at })
  const { id } = body as unknown as { id: number }
  expect((await ada.call('DELETE', `/releases/plans/${id}`)).status).toBe(200)
  expect((await ada.call('DELETE', `/releases/plans/${id}`)).status).toBe(404)
  expect((await ada.call('DELETE', '/releases/plans/no')).status).toBe(404)
})

test('the draft is walked by an address that ends; visitors see nothing of it', async () => {
  await editOf('plain-page', { kind: 'insert', parent: 'plain-page', index: 0, node: only('Only in the draft') })
  const { body } = await ada.call('POST', '/draft-links', { hours: 1 })
  const { id, address } = body as unknown as { id: number; address: string }
  const enter = await fetch(server.origin + address, { redirect: 'manual' })
  expect([enter.status, enter.headers.get('location')]).toEqual([302, '/'])
  const cookie = enter.headers.get('set-cookie')!.split(';')[0]!
  const walk = (path: string) => fetch(server.origin + path, { headers: { cookie } })
  const page = await walk('/about')
  const html = await page.text()
  expect([html.includes('Only in the draft'), html.includes('This is the draft')]).toEqual([true, true])
  expect([page.headers.get('cache-control'), page.headers.get('x-robots-tag')]).toEqual([
    'private, no-store',
    'noindex',
  ])
  expect((await walk('/no-such-page')).status).toBe(404)
  const visitor = await (await fetch(`${server.origin}/about`)).text()
  expect([visitor.includes('Only in the draft'), visitor.includes('This is the draft')]).toEqual([false, false])
  // An edit is seen at once.
  await editOf('plain-page', { kind: 'setProperty', id: 'only-words', property: 'text', value: 'Edited since' })
  expect(await (await walk('/about')).text()).toContain('Edited since')
  // So is an entry that is stored.
  const { entry, revision } = (await ada.call('GET', '/entries/about')).body as unknown as EntryAnswer
  const stored = { revision, entry: { ...entry, title: 'Told a moment ago' } }
  expect((await ada.call('PUT', '/entries/about', stored)).status).toBe(200)
  expect(await (await walk('/about')).text()).toContain('Told a moment ago')
  // Ended, the same browser sees the site again.
  expect((await ada.call('DELETE', `/draft-links/${id}`)).status).toBe(200)
  expect(await (await walk('/about')).text()).not.toContain('Edited since')
  expect((await fetch(server.origin + address, { redirect: 'manual' })).status).toBe(410)
  expect((await fetch(`${server.origin}/_of/draft/${'x'.repeat(500)}`)).status).toBe(410)
  expect((await ada.call('POST', '/draft-links', { hours: 0 })).status).toBe(422)
  const wim = await new Client(server).open()
  await wim.signIn('wim')
  expect((await wim.call('POST', '/draft-links', { hours: 1 })).status).toBe(403)
})

/** A row with a heading. */
const only = (text: string) => ({
  kind: 'row',
  id: 'only-row',
  props: {},
  styles: {},
  children: [
    {
      kind: 'column',
      id: 'only-column',
      span: 12,
      props: {},
      styles: {},
      children: [{ kind: 'element', id: 'only-words', type: 'heading', props: { text }, styles: {} }],
    },
  ],
})

test('one layout is brought back for visitors at once, and nothing else of what waits comes with it', async () => {
  const before = (await releases()).released!
  const [first] = (await releases()).releases.slice(-1)
  const what = { kind: 'layout', id: 'talk-page' }
  const answer = await ada.call('POST', `/releases/${first!.number}/bring-back`, { what, atOnce: true })
  expect(answer.status).toBe(200)
  const now = (await releases()).released!
  const changed = now.layouts.filter(
    (l) => JSON.stringify(l) !== JSON.stringify(before.layouts.find((b) => b.id === l.id)),
  )
  expect(changed.map((l) => l.id)).toEqual(['talk-page'])
  expect(await waitingIds()).toContain('plain-page')
})
