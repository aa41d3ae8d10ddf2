import { type Entry, type FloorPlan, type Site, MOST_POINTS } from '#core/model'
import { type TestServer, startServer } from '../server'
import { type Client, everyone } from './client'

/** The floor plan, positions, documents and captions, as programs may send them: well and badly made. */

let server: TestServer
let who: Record<string, Client>
beforeAll(async () => {
  server = await startServer()
  who = await everyone(server)
}, 60_000)
afterAll(() => server.stop())

const CLOCK = 'the-night-regulator'
const site = async () => (await who.ada!.call('GET', '/site')).body.site as unknown as Site
const page = async (path: string) => (await fetch(server.origin + path)).text()
const setPlan = (floorPlan: unknown, by = 'orla') => who[by]!.call('PUT', '/settings', { change: { floorPlan } })
const SQUARE: [number, number][] = [
  [0, 0],
  [100, 0],
  [100, 100],
  [0, 100],
]
const planOf = (more: object = {}): FloorPlan => ({
  floors: [{ id: 'one', name: 'One', shapes: [{ kind: 'area', name: 'Hall', paths: [SQUARE], ...more }] }],
})

async function entryNow(): Promise<{ entry: Entry; revision: number }> {
  const { body } = await who.wim!.call('GET', `/entries/${CLOCK}`)
  return body as unknown as { entry: Entry; revision: number }
}
async function setFields(fields: Record<string, unknown>) {
  const { entry, revision } = await entryNow()
  const changed = { ...entry, fields: { ...entry.fields, ...fields } }
  return who.wim!.call('PUT', `/entries/${CLOCK}`, { entry: changed, revision })
}

test('a floor plan is the owner’s to set; pages follow it at once', async () => {
  const before = (await site()).settings.floorPlan!
  for (const by of ['wim', 'ada']) expect((await setPlan(planOf(), by)).status).toBe(403)
  expect(await page(`/exhibits/${CLOCK}`)).toContain('Tower Room</a>, Upper floor')
  expect((await setPlan(planOf())).status).toBe(200)
  expect(await page(`/exhibits/${CLOCK}`)).toContain('Hall, One')
  // A term that is no more leads nowhere, and is no fault.
  expect((await setPlan(planOf({ term: 'gone' }))).status).toBe(200)
  expect(await page(`/exhibits/${CLOCK}`)).toContain('Hall, One')
  expect((await setPlan(null)).status).toBe(200)
  expect(await page(`/exhibits/${CLOCK}`)).not.toContain('<g class="of-plan-rooms')
  expect((await setPlan({ floors: [] })).status).toBe(200)
  expect((await fetch(`${server.origin}/exhibits/${CLOCK}`)).status).toBe(200)
  expect((await setPlan(before)).status).toBe(200)
})

test.each<[string, unknown]>([
  ['a text', 'plan'],
  ['a list', []],
  ['GeoJSON as it is', { type: 'FeatureCollection', features: [] }],
  ['a floor without an id', { floors: [{ name: 'One', shapes: [] }] }],
  ['two floors of one id', { floors: [planOf().floors[0], planOf().floors[0]] }],
  ['a point of words', planOf({ paths: [[['1', 2]]] })],
  ['an empty path', planOf({ paths: [[]] })],
  ['points without end', planOf({ paths: [Array.from({ length: MOST_POINTS + 1 }, () => [0, 0])] })],
  ['a kind of its own', planOf({ kind: 'cloud' })],
  ['more than it may hold', planOf({ colour: 'red' })],
])('%s is no floor plan: refused with a sentence, and nothing is stored', async (_, floorPlan) => {
  const before = (await site()).settings.floorPlan
  const answer = await setPlan(floorPlan)
  expect(answer.status).toBe(422)
  expect(answer.body.problem.sentence).toMatch(/[a-z].*\.$/)
  expect((await site()).settings.floorPlan).toEqual(before)
})

test('more than a floor plan may come to is refused before it is read', async () => {
  expect((await setPlan(planOf({ name: 'x'.repeat(2_000_000) }))).status).toBe(413)
})

test.each<[string, Record<string, unknown>]>([
  ['a position of words', { position: { x: 'a', y: 1 } }],
  ['a position with more than a floor', { position: { x: 1, y: 1, z: 3 } }],
  ['a floor that is no name', { position: { x: 1, y: 1, floor: '<b>' } }],
  ['a document of no size', { documents: [{ name: 'A', address: '/a', size: -1 }] }],
  ['half a page', { documents: [{ name: 'A', address: '/a', pages: 0.5 }] }],
  ['a document with more', { documents: [{ name: 'A', address: '/a', by: 'me' }] }],
])('%s is refused, and the entry stays as it was', async (_, fields) => {
  const { entry } = await entryNow()
  const answer = await setFields(fields)
  expect([answer.status, typeof answer.body.problem?.sentence]).toEqual([422, 'string'])
  expect((await entryNow()).entry).toEqual(entry)
})

test('a position on no floor that there is, far outside, is shown all the same', async () => {
  expect((await setFields({ position: { x: 1e9, y: -1e9, floor: 'cellar' } })).status).toBe(200)
  const answer = await fetch(`${server.origin}/exhibits/${CLOCK}`)
  expect([answer.status, (await answer.text()).includes('NaN')]).toEqual([200, false])
  expect((await setFields({ position: null })).status).toBe(200)
  expect(await page(`/exhibits/${CLOCK}`)).not.toContain('<g class="of-plan-rooms')
})

test('a caption is kept, left as it is where it is not said, and taken away', async () => {
  const put = async (change: object) => {
    const { status, body } = await who.wim!.call('PUT', `/pictures/clock-${CLOCK}`, {
      alt: 'A clock',
      focus: null,
      ...change,
    })
    return [status, (body as { picture?: { caption?: string } }).picture?.caption]
  }
  expect(await put({ caption: 'Lit from the left' })).toEqual([200, 'Lit from the left'])
  expect(await put({})).toEqual([200, 'Lit from the left'])
  expect(await put({ caption: '' })).toEqual([200, undefined])
  expect((await put({ caption: 'x'.repeat(301) }))[0]).toBe(422)
  expect((await put({ caption: 7 }))[0]).toBe(422)
})
