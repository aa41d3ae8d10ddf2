import Database from 'better-sqlite3'
import { join } from 'node:path'
import type { Change, Variation } from '#core/tree'
import { type TestServer, startServer } from '../server'
import { Client } from './client'

/** Variations as a program sends them, and as they may have got into the file. */

let server: TestServer
let ada: Client
beforeAll(async () => {
  server = await startServer()
  ada = await new Client(server).open()
  await ada.signIn('ada')
}, 40_000)
afterAll(() => server.stop())

let count = 0
const edit = (...edits: unknown[]) => edits.map((e) => ({ id: `e${++count}`, does: 'edit', edit: e }))
async function send(id: string, ...edits: unknown[]) {
  const { body } = await ada.call('GET', `/layouts/${id}`)
  return ada.call('POST', `/layouts/${id}/edits`, { revision: body.revision, edits: edit(...edits) })
}
const stored = async (id: string) =>
  ((await ada.call('GET', `/layouts/${id}`)).body as unknown as { layout: Variation }).layout
const make = (input: object) => ada.call('POST', '/layouts', { name: 'Made', region: 'body', ...input })

test('one is made of any layout, and not of what is not there, for another region, or both copied and following', async () => {
  expect((await make({ id: 'one', follows: 'exhibit-page' })).status).toBe(200)
  expect(await stored('one')).toEqual({
    kind: 'layout',
    format: 2,
    id: 'one',
    name: 'Made',
    region: 'body',
    follows: { base: 'exhibit-page', changes: [] },
  })
  expect((await make({ id: 'two', follows: 'nowhere' })).status).toBe(404)
  expect((await make({ id: 'two', follows: 'house-footer' })).body.problem.code).toBe('other-region')
  expect((await make({ id: 'two', follows: 'exhibit-page', from: 'exhibit-page' })).status).toBe(422)
  // One that is copied follows the same.
  await make({ id: 'copied', from: 'one' })
  expect((await stored('copied')).follows.base).toBe('exhibit-page')
})

test('edits are told apart from the base; the same said is nothing; each is taken back', async () => {
  await make({ id: 'edited', follows: 'exhibit-page' })
  const look = { kind: 'setStyle', id: 'exhibit-page-4', property: 'paddingTop', step: 'wide', value: 33 }
  const answer = await send('edited', look, { kind: 'rename', id: 'edited', name: 'Edited' })
  expect(answer.status).toBe(200)
  const { follows, name } = await stored('edited')
  expect([name, follows.changes]).toEqual(['Edited', [{ kind: 'set', edit: look }]])
  const [first] = (answer.body as unknown as { records: { inverse: unknown }[] }).records
  expect((await send('edited', first!.inverse)).status).toBe(200)
  expect((await stored('edited')).follows.changes).toEqual([])
  await send('edited', look)
  expect((await send('edited', { ...look, value: null })).status).toBe(200)
  expect((await send('edited', { kind: 'remove', id: 'nowhere' })).body.problem.code).toBe('node-unknown')
})

test('what only a program would send is refused in a sentence, and nothing is stored', async () => {
  await make({ id: 'sent', follows: 'one' })
  const before = await stored('sent')
  const gone: Change = { kind: 'gone', id: 'exhibit-page-1' }
  const WRONG: [unknown, string][] = [
    [{ kind: 'follow', base: 'house-header' }, 'follows-already'],
    [{ kind: 'own', drop: 'all', put: [] }, 'edit-shape'],
    [{ kind: 'own', drop: [], put: [{ change: { kind: 'gone' }, before: null }] }, 'edit-shape'],
    [
      { kind: 'own', drop: [], put: [{ change: { kind: 'set', edit: { kind: 'remove', id: 'x' } }, before: null }] },
      'edit-shape',
    ],
    [{ kind: 'become', document: { ...before, follows: { base: 'sent', changes: [] } } }, 'follows-itself'],
    [{ kind: 'become', document: { ...before, id: 'other' } }, 'other-id'],
    [{ kind: 'become', document: { ...before, follows: { base: 'one', changes: [gone, gone] } } }, 'layout-shape'],
    [{ kind: 'become', document: { ...before, children: [] } }, 'edit-shape'],
  ]
  for (const [wrong, code] of WRONG) {
    const { status, body } = await send('sent', wrong)
    expect([code, status, body.problem.code]).toEqual([code, 422, code])
  }
  for (const none of [{ kind: 'own', drop: [], put: [] }, { kind: 'standAlone' }])
    expect((await send('house-header', none)).body.problem.code).toBe('follows-none')
  // A loop by way of another: the base would follow what follows it.
  const loop = { kind: 'follow', base: 'one' }
  expect((await send('exhibit-page', loop)).body.problem.code).toBe('follows-itself')
  // The same said twice in one patch, or in what it is to follow with.
  const twice = [gone, gone].map((change) => ({ change, before: null }))
  expect((await send('sent', { kind: 'own', drop: [], put: twice })).body.problem.code).toBe('layout-shape')
  await make({ id: 'plain' })
  await make({ id: 'base-of-plain' })
  const doubled = { kind: 'follow', base: 'base-of-plain', changes: [gone, gone] }
  expect((await send('plain', doubled)).body.problem.code).toBe('layout-shape')
  expect(await stored('sent')).toEqual(before)
  // Named things that are not there wait.
  expect(
    (await send('sent', { kind: 'own', drop: [], put: [{ change: { kind: 'gone', id: 'nowhere' }, before: null }] }))
      .status,
  ).toBe(200)
})

test('a base is removed while something follows it, and put back: it stands alone meanwhile, and follows again', async () => {
  await make({ id: 'base' })
  await make({ id: 'upper', follows: 'base' })
  await make({ id: 'lower', follows: 'upper' })
  await send('upper', { kind: 'setDefault', of: 'row', property: 'gap', step: 'wide', value: 7 })
  expect((await ada.call('DELETE', '/layouts/base')).status).toBe(200)
  expect(await stored('upper')).toMatchObject({ defaults: { row: { gap: { wide: 7 } } }, children: [] })
  expect((await stored('lower')).follows.base).toBe('upper')
  await ada.call('POST', '/layouts/base/restore')
  expect((await stored('upper')).follows).toMatchObject({ base: 'base', changes: [{ kind: 'set' }] })
  // One that was touched meanwhile stays as it was made.
  await ada.call('DELETE', '/layouts/base')
  await send('upper', { kind: 'rename', id: 'upper', name: 'Mine' })
  await ada.call('POST', '/layouts/base/restore')
  expect(await stored('upper')).not.toHaveProperty('follows')
  // One that is put back brings what it follows.
  await ada.call('DELETE', '/layouts/lower')
  await ada.call('DELETE', '/layouts/upper')
  await ada.call('POST', '/layouts/lower/restore')
  expect((await ada.call('GET', '/layouts/upper')).status).toBe(200)
})

test('who has a layout open hears of what it follows at any level', async () => {
  const open = (await ada.fetch('/api/layouts/copied/live?window=w1')).body!.getReader()
  const heard = async (what: string) => {
    for (let text = ''; !text.includes(what);) {
      const { value, done } = await open.read()
      if (done) throw new Error(`It ended before ${what}`)
      text += new TextDecoder().decode(value)
    }
  }
  await heard('hello')
  await make({ id: 'second', follows: 'copied' })
  const below = (await ada.fetch('/api/layouts/second/live?window=w2')).body!.getReader()
  await send('exhibit-page', { kind: 'describe', about: 'Heard of by all that follow it' })
  await heard('"kind":"base","id":"exhibit-page"')
  for (let text = ''; !text.includes('"kind":"base","id":"exhibit-page"');)
    text += new TextDecoder().decode((await below.read()).value)
  await Promise.all([open.cancel(), below.cancel()])
})

test('what got into the file anyway takes nothing down: loops, a base that is gone, four thousand levels', async () => {
  const db = new Database(join(server.data, 'outer-frame.sqlite'))
  const put = db.prepare(
    "insert into layouts (id, created, revision, doc, changed_at, changed_by, removed, base) values (?, ?, 1, ?, 0, '', 0, ?)",
  )
  const write = (id: string, base: string, n: number) =>
    put.run(id, 1000 + n, JSON.stringify({ ...VARIATION, id, name: id, follows: { base, changes: [] } }), base)
  const VARIATION = { kind: 'layout', format: 2, region: 'body' }
  write('loop-a', 'loop-b', 0)
  write('loop-b', 'loop-a', 1)
  write('orphan', 'nowhere', 2)
  for (let i = 0; i < 4000; i++) write(`deep-${i}`, i === 0 ? 'exhibit-page' : `deep-${i - 1}`, 3 + i)
  db.prepare('update layouts set doc = ? where id = ?').run(
    JSON.stringify({ ...VARIATION, id: 'copied', name: 'Copied', follows: { base: 'one' } }),
    'copied',
  )
  db.close()
  await server.restart()
  expect((await fetch(`${server.origin}/exhibits/the-night-regulator`)).status).toBe(200)
  const { body } = await ada.call('GET', '/design')
  expect((body as unknown as { spoilt: { id: string }[] }).spoilt.map((s) => s.id)).toContain('copied')
  expect((await ada.call('GET', '/layouts/deep-3999')).status).toBe(200)
  expect((await send('loop-a', { kind: 'rename', id: 'loop-a', name: 'Loop' })).body.problem.code).toBe('base-gone')
  expect((await send('orphan', { kind: 'standAlone' })).body.problem.code).toBe('base-gone')
  // What follows itself in turn is taken away and put back like anything.
  expect((await ada.call('DELETE', '/layouts/loop-a')).status).toBe(200)
  expect((await ada.call('POST', '/layouts/loop-a/restore')).status).toBe(200)
  // A thing that follows nothing that can be drawn can be released: nothing of it is drawn.
  expect((await ada.call('POST', '/releases', { note: 'With what cannot be followed' })).status).toBe(200)
  expect((await fetch(`${server.origin}/exhibits/the-night-regulator`)).status).toBe(200)
}, 120_000)
