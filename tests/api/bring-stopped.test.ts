import type { BringInput, ImportsAnswer, SheetAnswer } from '#shared/api/types'
import { openDatabase } from '../../server/database/open'
import { type TestServer, freePort, launch, startServer } from '../server'
import { Client } from './client'

/** An import whose server is killed in the middle, or that another server over the same folder comes upon. */

const ROWS = 4000
let server: TestServer
let ada: Client
beforeAll(async () => {
  server = await startServer()
  ada = await new Client(server).open()
  await ada.signIn('ada')
}, 60_000)
afterAll(() => server.stop())

const imports = async () => ((await ada.call('GET', '/imports')).body as unknown as ImportsAnswer).imports
const found = async (words: string) => {
  const { body } = await ada.call('GET', `/entries?words=${words}`)
  return (body as unknown as { total: number }).total
}

/** Starts an import that goes on for a while, with a term of its own; gives its id once rows of it are stored. */
async function begin(word: string): Promise<string> {
  const rows = Array.from({ length: ROWS }, (_, i) => `${word} ${i},${'words of it '.repeat(20)},${word}ing`)
  const sent = await ada.fetch('/api/imports?name=long.csv', {
    method: 'POST',
    body: `title,content,topic\n${rows.join('\n')}\n`,
    headers: { 'content-type': 'application/octet-stream' },
  })
  const { id } = (await sent.json()) as SheetAnswer
  const columns = { title: 'title', content: 'content', topic: 'terms:topic' }
  const plan: BringInput = { type: { kind: 'there', id: 'story' }, columns, published: true, make: true }
  const started = await ada.call('POST', `/imports/${id}/run`, plan)
  const own = (started.body as unknown as { id: string }).id
  for (;;) {
    const now = (await imports()).find((i) => i.id === own)!
    if (now.done >= 100) return own
    await new Promise((done) => setTimeout(done, 30))
  }
}

test('a second server over the same folder leaves an import alone that the first one is taking along', async () => {
  const id = await begin('Tandem')
  const second = launch(await freePort(), server.data, 'none')
  if (!(await second.ready)) throw new Error(`The second server did not start:\n${second.said()}`)
  expect((await imports()).find((i) => i.id === id)!.state).toBe('running')
  expect(second.said()).not.toContain('import-taken-back')
  second.child.kill('SIGTERM')
  await ada.call('DELETE', `/imports/${id}`)
  expect((await imports()).find((i) => i.id === id)!.state).toBe('undone')
  expect(await found('Tandem')).toBe(0)
}, 60_000)

test('a server killed in the middle takes it back whole at its next start', async () => {
  const id = await begin('Halfway')
  process.kill(server.pid(), 'SIGKILL')
  await server.restart()
  expect(server.said()).toContain('import-taken-back')
  expect((await imports()).find((i) => i.id === id)!.state).toBe('undone')
  expect(await found('Halfway')).toBe(0)
  const { body } = await ada.call('GET', '/site')
  expect(JSON.stringify((body as unknown as { site: { terms: unknown } }).site.terms)).not.toContain('Halfwaying')
}, 60_000)

test('what was kept of an import and cannot be read back takes nothing with it', async () => {
  const db = await openDatabase(server.data)
  const spoil = (change: object) => db.updateTable('imports').set(change).execute()
  await spoil({ report: '{"row":', structure: '{"kind":"nothing"}', state: 'running' })
  await server.restart()
  expect(server.said()).toContain('import-structure-spoilt')
  expect(await imports()).toMatchObject([{ state: 'undone', problems: [] }, { state: 'undone' }])
  await spoil({ report: '[1, {"row":"x"}, {"row":3,"why":"it says so","more":1}]', state: 'gone' })
  expect((await imports())[0]).toMatchObject({ state: 'cancelled', problems: [{ row: 3, why: 'it says so' }] })
  await db.destroy()
}, 60_000)
