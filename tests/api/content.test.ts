import { nanoid } from 'nanoid'
import type { PlainEdit } from '#core/edits'
import type { Site, Structure } from '#core/model'
import { type TestServer, startServer } from '../server'
import { Client } from './client'

/** The structure of a site and new entries, by whoever may and whoever may not. */

let server: TestServer
const who: Record<string, Client> = {}
beforeAll(async () => {
  server = await startServer()
  for (const name of ['orla', 'ada', 'wim', 'mina']) {
    who[name] = await new Client(server).open()
    await who[name].signIn(name)
  }
  who.nobody = await new Client(server).open()
}, 60_000)
afterAll(() => server.stop())

const structure = async () => {
  const { body } = await who.ada!.call('GET', '/structure')
  return body as unknown as { document: Structure; revision: number; log: unknown[] }
}
const send = async (edit: PlainEdit, by = 'ada') =>
  who[by]!.call('POST', '/structure/edits', {
    revision: (await structure()).revision,
    edits: [{ id: nanoid(12), edit, does: 'edit' }],
  })
const type = (more: object = {}) => ({
  id: 'event',
  name: 'Event',
  plural: 'Events',
  slug: 'events',
  archive: true,
  dated: true,
  tree: false,
  personLabel: 'Host',
  taxonomies: [],
  fields: [],
  ...more,
})
const insert = (item: { id: string }): PlainEdit => ({ kind: 'insert', at: ['types'], index: 0, item })

test('every way in is for those it is meant for', async () => {
  const entry = (by: string) => who[by]!.call('POST', '/entries', { id: nanoid(10), type: 'story', title: `By ${by}` })
  const statuses = async (calls: Promise<{ status: number }>[]) => (await Promise.all(calls)).map((c) => c.status)
  const all = ['nobody', 'mina', 'wim', 'ada', 'orla']
  expect(await statuses(all.map((by) => who[by]!.call('GET', '/structure')))).toEqual([401, 403, 200, 200, 200])
  expect(await statuses(all.map(entry))).toEqual([401, 403, 200, 200, 200])
  const seen: number[] = []
  for (const by of all)
    seen.push((await send({ kind: 'set', at: ['types', 'story', 'personLabel'], value: by }, by)).status)
  expect(seen).toEqual([401, 403, 403, 200, 200])
})

test('a page type is made, has an archive at once, and is taken back by its inverse', async () => {
  expect((await fetch(`${server.origin}/events`)).status).toBe(404)
  expect((await send(insert(type()))).status).toBe(200)
  expect((await fetch(`${server.origin}/events`)).status).toBe(200)
  const made = await who.wim!.call('POST', '/entries', { id: 'first-event', type: 'event', title: 'Winding day' })
  expect(made.body).toMatchObject({ entry: { slug: 'winding-day', published: false, type: 'event' }, revision: 1 })
  expect((await fetch(`${server.origin}/events/winding-day`)).status).toBe(404)
  const { entry } = made.body as unknown as { entry: object }
  const put = await who.wim!.call('PUT', '/entries/first-event', { entry: { ...entry, published: true }, revision: 1 })
  expect(put.status).toBe(200)
  expect((await fetch(`${server.origin}/events/winding-day`)).status).toBe(200)
  // With its type gone an entry has no page; it is there again with it.
  expect((await send({ kind: 'remove', at: ['types'], id: 'event' })).status).toBe(200)
  expect((await fetch(`${server.origin}/events/winding-day`)).status).toBe(404)
  expect((await who.wim!.call('GET', '/site')).status).toBe(200)
  expect((await send(insert(type()))).status).toBe(200)
  expect((await fetch(`${server.origin}/events/winding-day`)).status).toBe(200)
})

test('a field is asked of published entries, and holds its limits', async () => {
  const field = { id: 'seats', label: 'Seats', kind: 'number', required: true, least: 1, most: 40 }
  const made = await who.wim!.call('POST', '/entries', { id: 'seated', type: 'story', title: 'Seated' })
  const { entry } = made.body as unknown as { entry: { fields: object } }
  expect((await send({ kind: 'insert', at: ['types', 'story', 'fields'], index: 0, item: field })).status).toBe(200)
  const put = (more: object) => who.wim!.call('PUT', '/entries/seated', { entry: { ...entry, ...more }, revision: 1 })
  expect((await put({ published: true })).body.problem).toMatchObject({ code: 'field-missing' })
  expect((await put({ fields: { seats: 41 } })).body.problem).toMatchObject({ code: 'field-limits' })
  expect((await put({ fields: { seats: 'many' } })).body.problem).toMatchObject({ code: 'field-value' })
  expect((await put({ published: true, fields: { seats: 12 } })).status).toBe(200)
  expect((await send({ kind: 'remove', at: ['types', 'story', 'fields'], id: 'seats' })).status).toBe(200)
})

test.each<[string, PlainEdit]>([
  ['an id that is taken', insert(type({ id: 'story', slug: 'others' }))],
  ['an address that is taken', insert(type({ id: 'tale', slug: 'stories' }))],
  ['an address of the site itself', insert(type({ id: 'tale', slug: 'studio' }))],
  ['an address that is none', insert(type({ id: 'tale', slug: 'Not So' }))],
  [
    'a field of a kind there is none of',
    insert(type({ id: 'tale', slug: 'tales', fields: [{ id: 'a', label: 'A', kind: 'wish' }] })),
  ],
  [
    'the same field twice',
    insert(type({ id: 'tale', slug: 'tales', fields: [1, 2].map(() => ({ id: 'a', label: 'A', kind: 'text' })) })),
  ],
  [
    'limits that nothing fits',
    insert(type({ id: 'tale', slug: 'tales', fields: [{ id: 'a', label: 'A', kind: 'number', least: 3, most: 2 }] })),
  ],
  [
    'a unit there is none of',
    insert(type({ id: 'tale', slug: 'tales', fields: [{ id: 'a', label: 'A', kind: 'number', unit: 'cubit' }] })),
  ],
  ['more than a page type says', insert(type({ id: 'tale', slug: 'tales', colour: 'red' }))],
  ['types that are a text', { kind: 'set', at: ['types'], value: 'all' }],
  ['no types', { kind: 'set', at: ['types'], unset: true }],
  ['the whole as nothing', { kind: 'set', at: [], value: null }],
  ['a name of the language', { kind: 'set', at: ['types', 'story', '__proto__'], value: {} }],
])('%s is refused, and nothing is stored', async (_, edit) => {
  const before = await structure()
  expect((await send(edit)).status).toBe(422)
  expect(await structure()).toEqual(before)
})

test.each<[string, object, number]>([
  ['no such page type', { id: 'x1', type: 'nothing', title: 'X' }, 422],
  ['an id that is taken', { id: 'visit', type: 'page', title: 'X' }, 422],
  ['an id that is none', { id: 'a b', type: 'page', title: 'X' }, 422],
  ['a title that is a list', { id: 'x2', type: 'page', title: ['X'] }, 422],
  ['a copy of nothing', { id: 'x3', type: 'page', title: 'X', from: 'nowhere' }, 404],
  ['a copy of another type', { id: 'x4', type: 'story', title: 'X', from: 'visit' }, 422],
])('a new entry with %s is refused', async (_, input, status) => {
  expect((await who.wim!.call('POST', '/entries', input)).status).toBe(status)
})

test('titles alike get addresses of their own, in any script, and with none at all', async () => {
  const slug = async (title: string, type = 'page') => {
    const { body } = await who.wim!.call('POST', '/entries', { id: nanoid(10), type, title })
    return (body as unknown as { entry: { slug: string } }).entry.slug
  }
  expect([await slug('Visit'), await slug('Visit'), await slug('')]).toEqual(['visit-2', 'visit-3', 'untitled'])
  expect([await slug('Часы'), await slug('studio'), await slug('stories')]).toEqual(['часы', 'studio-2', 'stories-2'])
  expect((await slug('long '.repeat(90))).length).toBeLessThanOrEqual(80)
  expect(await slug('2026', 'story')).toBe('2026-2')
})

test('of two who edit at once neither loses: the second hears what came between', async () => {
  const { revision } = await structure()
  const edit = (value: string): PlainEdit => ({ kind: 'set', at: ['types', 'talk', 'personLabel'], value })
  const first = await who.ada!.call('POST', '/structure/edits', {
    revision,
    edits: [{ id: 'one', edit: edit('A'), does: 'edit' }],
  })
  const second = await who.orla!.call('POST', '/structure/edits', {
    revision,
    edits: [{ id: 'two', edit: edit('B'), does: 'edit' }],
  })
  expect([first.status, second.status]).toEqual([200, 409])
  expect(second.body).toMatchObject({ between: [{ id: 'one' }] })
})

test('one term is brought into another, with its entries, its frames and its address', async () => {
  const site = async () => (await who.ada!.call('GET', '/site')).body as unknown as { site: Site }
  const before = (await site()).site
  const [from, into] = before.terms.filter((t) => t.taxonomy === 'room')
  const merge = (a: string, b: string, by = 'ada') => who[by]!.call('POST', '/terms/merge', { from: a, into: b })
  const statuses = await Promise.all(['nobody', 'mina', 'wim'].map((by) => merge(from!.id, into!.id, by)))
  expect(statuses.map((s) => s.status)).toEqual([401, 403, 403])
  expect((await merge(from!.id, 'gone')).status).toBe(404)
  expect((await merge(from!.id, from!.id)).status).toBe(422)
  expect((await merge(from!.id, before.terms.find((t) => t.taxonomy === 'period')!.id)).status).toBe(422)
  const holding = before.entries.filter((e) => e.terms.includes(from!.id)).map((e) => e.id)
  expect(holding.length).toBeGreaterThan(0)
  expect((await merge(from!.id, into!.id)).status).toBe(200)
  const after = (await site()).site
  for (const id of holding) {
    const { terms } = after.entries.find((e) => e.id === id)!
    expect([terms.includes(into!.id), terms.includes(from!.id)]).toEqual([true, false])
  }
  const { body } = await who.ada!.call('GET', '/design')
  expect(JSON.stringify((body as unknown as { frames: unknown }).frames)).not.toContain(JSON.stringify(from!.id))
  const taxonomy = before.taxonomies.find((t) => t.id === 'room')!
  const old = await fetch(`${server.origin}/${taxonomy.slug}/${from!.slug}`, { redirect: 'manual' })
  expect([old.status, old.headers.get('location')]).toEqual([301, `/${taxonomy.slug}/${into!.slug}`])
})

test('an address that a page had leads to it, through every change, and can be removed', async () => {
  const lead = (path: string) => fetch(`${server.origin}${path}`, { redirect: 'manual' })
  const where = async (path: string) => {
    const answer = await lead(path)
    return [answer.status, answer.headers.get('location')]
  }
  const { body } = await who.wim!.call('GET', '/entries/first-event')
  const { entry, revision } = body as unknown as { entry: { slug: string }; revision: number }
  const put = (slug: string, at: number) =>
    who.wim!.call('PUT', '/entries/first-event', { entry: { ...entry, slug }, revision: at })
  expect((await put('winding', revision)).status).toBe(200)
  expect(await where('/events/winding-day')).toEqual([301, '/events/winding'])
  expect((await put('winding-again', revision + 1)).status).toBe(200)
  expect(await where('/events/winding-day?a=1')).toEqual([301, '/events/winding-again?a=1'])
  expect((await send({ kind: 'set', at: ['types', 'event', 'slug'], value: 'dates' })).status).toBe(200)
  expect(await where('/events/winding-again')).toEqual([301, '/dates/winding-again'])
  expect(await where('/events/winding-day')).toEqual([301, '/dates/winding-again'])
  expect(await where('/events')).toEqual([301, '/dates'])
  const change = (input: object, by = 'ada') => who[by]!.call('POST', '/redirects', input)
  const all = ['nobody', 'mina', 'wim', 'ada', 'orla']
  expect((await Promise.all(all.map((by) => who[by]!.call('GET', '/redirects')))).map((a) => a.status)).toEqual([
    401, 403, 200, 200, 200,
  ])
  expect((await Promise.all(all.map((by) => change({}, by)))).map((a) => a.status)).toEqual([401, 403, 403, 200, 200])
  expect((await change({ put: [{ address: '/dates', to: '/visit' }] })).body.problem).toMatchObject({
    code: 'redirect-wrong',
  })
  expect((await change({ put: [{ address: '/one', to: '/one' }] })).status).toBe(422)
  expect((await change({ put: [{ address: 'one', to: '/visit' }] })).status).toBe(422)
  expect((await change({ put: [{ address: '/one', to: 'javascript:alert(1)' }] })).status).toBe(422)
  expect((await change({ put: [{ address: '/old', to: '/visit', branch: true }] })).status).toBe(200)
  expect(await where('/old/getting-here')).toEqual([301, '/visit/getting-here'])
  expect((await change({ remove: ['/old', '/events/winding-day'] })).status).toBe(200)
  expect((await lead('/old/getting-here')).status).toBe(404)
})
