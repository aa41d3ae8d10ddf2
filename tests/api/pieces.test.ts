import Database from 'better-sqlite3'
import { join } from 'node:path'
import type { Parcel } from '#core/formats'
import { type Layout, emptyRow } from '#core/tree'
import { newPlace } from '#core/editor'
import { type TestServer, startServer } from '../server'
import type { DesignAnswer } from '#shared/api/types'
import { Client } from './client'
import { findings } from './findings'

/** Shared pieces as a program sends them, and as they may have got into the file. */

let server: TestServer
let ada: Client
beforeAll(async () => {
  server = await startServer()
  ada = await new Client(server).open()
  await ada.signIn('ada')
}, 40_000)
afterAll(() => server.stop())

let count = 0
const newId = () => `p${++count}`
async function send(id: string, ...edits: unknown[]) {
  const { body } = await ada.call('GET', `/layouts/${id}`)
  const sent = edits.map((edit) => ({ id: newId(), does: 'edit', edit }))
  return ada.call('POST', `/layouts/${id}/edits`, { revision: body.revision, edits: sent })
}
const make = (id: string, region = 'piece') => ada.call('POST', '/layouts', { id, name: id, region })

/** A piece with a heading in it, whose words are open. */
async function piece(id: string): Promise<void> {
  await make(id)
  const row = emptyRow(newId, [12])
  const heading = {
    kind: 'element',
    id: `${id}-title`,
    type: 'heading',
    props: { text: id },
    styles: {},
    open: ['text'],
  }
  row.children[0]!.children = [heading as never]
  row.styles = { paddingTop: { wide: 8 } }
  expect((await send(id, { kind: 'insert', parent: id, index: 0, node: row })).status).toBe(200)
}
/** Puts a place of one layout's piece into another's first column, or into a row of its own. */
async function put(into: string, of: string, fills?: unknown[]) {
  const row = emptyRow(newId, [12])
  row.children[0]!.children = [{ ...newPlace(of, newId), ...(fills && { fills }) } as never]
  return send(into, { kind: 'insert', parent: into, index: 0, node: row })
}
const words = (id: string, value: unknown) => ({ kind: 'setProperty', id, property: 'text', value })

test('visitors see what each place says, and what the piece says elsewhere; a release tells where it stands', async () => {
  await piece('band')
  await put('plain-page', 'band', [words('band-title', 'Said at this place')])
  await put('talk-page', 'band')
  const { waiting } = (await ada.call('GET', '/releases')).body as unknown as {
    waiting: { id: string; also?: string[] }[]
  }
  expect(waiting.map((c) => c.id)).toEqual(expect.arrayContaining(['band', 'plain-page', 'talk-page']))
  expect((await ada.call('POST', '/releases', { note: '' })).status).toBe(200)
  const about = await (await fetch(server.origin + '/about')).text()
  const talk = await (await fetch(server.origin + '/talks/winding-for-beginners')).text()
  expect([about.includes('Said at this place'), about.includes('>band<')]).toEqual([true, false])
  expect(talk).toContain('>band<')
  // The piece alone is changed: what shows it is named with it.
  await send('band', words('band-title', 'Changed once'))
  const after = (await ada.call('GET', '/releases')).body as unknown as { waiting: { id: string; also?: string[] }[] }
  expect(after.waiting.map((c) => [c.id, [...(c.also ?? [])].sort()])).toEqual([['band', ['Plain page', 'Talk page']]])
})

test('a piece never holds itself, also not through three others, whoever sends it', async () => {
  for (const id of ['a', 'b', 'c', 'd']) await piece(id)
  expect((await put('a', 'b')).status).toBe(200)
  expect((await put('b', 'c')).status).toBe(200)
  expect((await put('c', 'd')).status).toBe(200)
  const refused = await put('d', 'a')
  expect([refused.status, refused.body.problem.code]).toEqual([422, 'piece-loop'])
  expect(((await ada.call('GET', '/layouts/d')).body as unknown as { layout: Layout }).layout.children).toHaveLength(1)
})

test('what is filled with the wrong kind waits and is told, and what no place can say is refused', async () => {
  await piece('kind')
  await put('results', 'kind', [words('kind-title', 7), words('nothing-such', 'x')])
  const told = await findings(ada)
  expect(told).toEqual(expect.arrayContaining([expect.objectContaining({ kind: 'unfilled', piece: 'kind', fills: 2 })]))
  const layout = ((await ada.call('GET', '/layouts/results')).body as unknown as { layout: Layout }).layout
  const { id } = layout.children[0]!.children[0]!.children[0]!
  for (const fill of [{ kind: 'remove', id: 'x' }, words('../x', 'y'), { ...words('kind-title', 'x'), more: 1 }, null])
    expect((await send('results', { kind: 'setFill', id, fill })).status).toBe(422)
  expect((await send('results', { kind: 'setOpen', id, property: 'piece', open: true })).body.problem.code).toBe(
    'open-elsewhere',
  )
  const heading = layout.children[1]!.children[0]!.id
  expect((await send('results', { kind: 'setFill', id: heading, fill: words('a', 'b') })).status).toBe(422)
})

test('one that is removed leaves nothing where it stood, is told, and is back with all that was said of it', async () => {
  await piece('gone')
  await put('visit-page', 'gone', [words('gone-title', 'Kept all along')])
  await ada.call('POST', '/releases', { note: '' })
  expect(await (await fetch(server.origin + '/visit')).text()).toContain('Kept all along')
  await ada.call('DELETE', '/layouts/gone')
  const told = await findings(ada)
  expect(told.some((f) => f.kind === 'dangling' && f.what === 'piece' && f.id === 'gone')).toBe(true)
  await ada.call('POST', '/releases', { note: '' })
  const without = await fetch(server.origin + '/visit')
  expect([without.status, (await without.text()).includes('Kept all along')]).toEqual([200, false])
  await ada.call('POST', '/layouts/gone/restore')
  await ada.call('POST', '/releases', { note: '' })
  expect(await (await fetch(server.origin + '/visit')).text()).toContain('Kept all along')
})

test('loops and places that got into the file take nothing down', async () => {
  await piece('knot')
  const database = new Database(join(server.data, 'outer-frame.sqlite'))
  const read = (id: string) =>
    JSON.parse((database.prepare('select doc from layouts where id = ?').get(id) as { doc: string }).doc) as Layout
  const knot = read('knot')
  knot.children[0]!.children[0]!.children.push(newPlace('knot', newId))
  database.prepare('update layouts set doc = ? where id = ?').run(JSON.stringify(knot), 'knot')
  database.close()
  expect((await put('lost-page', 'knot')).status).toBe(200)
  const told = await findings(ada)
  expect(told.some((f) => f.kind === 'unplaced' && f.because === 'loop')).toBe(true)
  expect((await ada.call('POST', '/releases', { note: '' })).status).toBe(200)
  expect((await fetch(server.origin + '/nowhere-at-all')).status).toBe(404)
  // It can be mended.
  const place = knot.children[0]!.children[0]!.children.at(-1)!.id
  expect((await send('knot', { kind: 'remove', id: place })).status).toBe(200)
  expect((await findings(ada)).some((f) => f.kind === 'unplaced')).toBe(false)
})

test('chosen layouts leave with all that they need; what is here already is kept, replaced, or has them beside it', async () => {
  const { body } = await ada.call('GET', '/parcel?layouts=turret-exhibit')
  const parcel = body as unknown as Parcel
  const ids = parcel.layouts.map((l) => l.id)
  expect(ids).toEqual(expect.arrayContaining(['turret-exhibit', 'exhibit-page', 'visit-band', 'exhibit-card']))
  expect(ids).not.toContain('talk-page')
  const alone = (await ada.call('GET', '/parcel?layouts=turret-exhibit&alone=yes')).body as unknown as Parcel
  expect(alone.layouts.map((l) => l.id)).not.toContain('exhibit-page')
  expect((await ada.call('GET', '/parcel?layouts=nowhere')).status).toBe(404)

  const band = parcel.layouts.find((l) => l.id === 'visit-band') as Layout
  const changed = { ...band, about: 'As it came' }
  const sent = { ...parcel, layouts: parcel.layouts.map((l) => (l.id === 'visit-band' ? changed : l)) }
  const taken = await ada.call('POST', '/parcel', { parcel: sent, both: ['layout visit-band'] })
  expect(taken.status).toBe(200)
  const { layouts } = (await ada.call('GET', '/design')).body as unknown as DesignAnswer
  const bands = layouts.map((l) => l.layout).filter((l) => l.name.startsWith('Plan a visit'))
  expect(bands.map((l) => l.about)).toEqual([band.about, 'As it came'])
  // What came with it and is here exactly so stays, and shows what it showed.
  const exhibit = layouts.find((l) => l.layout.id === 'exhibit-page')!.layout as Layout
  expect(JSON.stringify(exhibit)).not.toContain(bands[1]!.id)

  // Where both come beside what is here, the one that came shows the other.
  const both = ['layout visit-band', 'layout exhibit-page']
  expect((await ada.call('POST', '/parcel', { parcel: sent, both })).status).toBe(200)
  const now = ((await ada.call('GET', '/design')).body as unknown as DesignAnswer).layouts.map((l) => l.layout)
  const [, , came] = now.filter((l) => l.name.startsWith('Plan a visit'))
  const copy = now.find((l) => l.name.startsWith('Exhibit page, '))!
  expect(JSON.stringify(copy)).toContain(came!.id)
})
