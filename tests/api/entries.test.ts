import type { Entry } from '#core/model'
import type { BulkAnswer, EntriesAnswer, OpenEntryAnswer, StaleEntryAnswer, StatesAnswer } from '#shared/api/types'
import { type TestServer, startServer } from '../server'
import { ALL_ROLES, type Client, everyone } from './client'

/** The table of entries, many at once, working copies, stored states, and two writers on one entry. */

let server: TestServer
let who: Record<string, Client>
beforeAll(async () => {
  server = await startServer()
  who = await everyone(server)
}, 60_000)
afterAll(() => server.stop())

const as = <T>(body: unknown): T => body as T
const table = async (query: string, by = 'wim') => {
  const answer = await who[by]!.call('GET', `/entries?${query}`)
  return as<EntriesAnswer & { problem?: { code: string } }>(answer.body)
}
const ids = async (query: string, by = 'wim') =>
  (await table(query.includes('most=') ? query : `most=500&${query}`, by)).rows.map((r) => r.id)
const change = async (list: string[], does: object, by = 'wim') =>
  as<BulkAnswer>((await who[by]!.call('POST', '/entries/change', { ids: list, does })).body)
const open = async (id: string, by = 'wim') => as<OpenEntryAnswer>((await who[by]!.call('GET', `/entries/${id}`)).body)
const put = (id: string, entry: object, revision: number, by = 'wim') =>
  who[by]!.call('PUT', `/entries/${id}`, { entry, revision })

test('every way in is for those it is meant for', async () => {
  const statuses = async (call: (c: Client) => Promise<{ status: number }>) =>
    (await Promise.all(ALL_ROLES.map((by) => call(who[by]!)))).map((a) => a.status)
  const writers = [401, 403, 200, 200, 200]
  expect(await statuses((c) => c.call('GET', '/entries'))).toEqual(writers)
  expect(await statuses((c) => c.call('GET', '/entries/welcome'))).toEqual(writers)
  expect(await statuses((c) => c.call('GET', '/entries/welcome/states'))).toEqual(writers)
  expect(await statuses((c) => c.call('GET', '/entries/welcome/states/1'))).toEqual(writers)
  const nothing = { ids: ['nowhere'], does: { kind: 'publish' } }
  expect(await statuses((c) => c.call('POST', '/entries/change', nothing))).toEqual(writers)
  expect(await statuses((c) => c.call('PUT', '/entries/welcome/working', { working: null }))).toEqual(writers)
  const others = ['nobody', 'mina', 'wim', 'ada'].map((by) => who[by]!.call('DELETE', '/removed'))
  expect((await Promise.all(others)).map((a) => a.status)).toEqual([401, 403, 403, 403])
})

test('the table finds by type, term, person, days and words, sorts both ways, and is told in parts', async () => {
  const all = as<{ site: { entries: Entry[] } }>((await who.wim!.call('GET', '/site')).body).site.entries
  const match = (test: (e: Entry) => boolean) =>
    all
      .filter(test)
      .map((e) => e.id)
      .sort()
  expect((await ids('type=exhibit')).sort()).toEqual(match((e) => e.type === 'exhibit'))
  expect((await ids('term=tower-room')).sort()).toEqual(match((e) => e.terms.includes('tower-room')))
  expect((await ids('person=ines-calloway&type=story')).sort()).toEqual(
    match((e) => e.person === 'ines-calloway' && e.type === 'story'),
  )
  expect((await ids('since=2026-06-01&until=2026-08-31')).sort()).toEqual(
    match((e) => e.date !== null && e.date >= '2026-06-01' && e.date <= '2026-08-31'),
  )
  expect(await ids('words=pinwheel%20escap')).toContain('fenwick-turret-clock')
  expect(await ids('words=%22%20OR%20*')).toEqual(expect.any(Array))
  const titles = async (sort: string) => (await table(`most=500&type=story&sort=${sort}`)).rows.map((r) => r.date)
  expect(await titles('-date')).toEqual((await titles('date')).reverse())
  const [first, second] = [await ids('sort=title&most=10'), await ids('sort=title&most=10&offset=10')]
  expect((await ids('sort=title')).slice(0, 20)).toEqual([...first, ...second].slice(0, 20))
  expect((await table('type=exhibit&most=1')).total).toBe(match((e) => e.type === 'exhibit').length)
  expect(as<{ ids: string[] }>((await who.wim!.call('GET', '/entries?ids=1&type=ticket')).body).ids).toHaveLength(6)
})

test.each(['sort=wish', 'state=lost', 'since=soon', 'offset=x', 'most=9999', 'type=a%20b', 'wish=1'])(
  'a table asked for with %s is refused with a sentence',
  async (query) => {
    const answer = await who.wim!.call('GET', `/entries?${query}`)
    expect([answer.status, answer.body.problem?.code]).toEqual([422, 'asking-wrong'])
  },
)

test('many are unpublished, published, given and taken terms and people; those that cannot are told', async () => {
  const tickets = (await ids('type=ticket')).sort()
  expect(await change(tickets, { kind: 'unpublish' })).toMatchObject({ done: 6, refused: [] })
  expect((await ids('state=unpublished&type=ticket')).sort()).toEqual(tickets)
  expect((await fetch(`${server.origin}/tickets/day-ticket`)).status).toBe(404)
  expect((await change(tickets, { kind: 'publish' })).done).toBe(6)
  expect((await fetch(`${server.origin}/tickets/day-ticket`)).status).toBe(200)
  expect((await change(tickets.slice(0, 2), { kind: 'person', person: 'maud-oshea' })).done).toBe(2)
  expect((await ids('person=maud-oshea&type=ticket')).sort()).toEqual(tickets.slice(0, 2))
  expect(await change(tickets.slice(0, 1), { kind: 'person', person: 'nobody-here' })).toMatchObject({
    done: 0,
    refused: [{ problem: { code: 'reference-unknown' } }],
  })
  const exhibit = 'fenwick-turret-clock'
  expect((await change([exhibit], { kind: 'add-term', term: 'workshop' })).done).toBe(1)
  expect(await ids('term=workshop')).toContain(exhibit)
  expect((await change([exhibit], { kind: 'take-term', term: 'workshop' })).done).toBe(1)
  expect(await ids('term=workshop')).not.toContain(exhibit)
  const { done, refused } = await change([exhibit, 'welcome', 'nowhere'], { kind: 'unpublish' })
  expect([done, refused.map((r) => [r.id, r.problem.code]).sort()]).toEqual([
    1,
    [
      ['nowhere', 'entry-unknown'],
      ['welcome', 'home-shows-it'],
    ],
  ])
})

test('what is removed has no page, waits, comes back at a free address, and is cleared by the owner alone', async () => {
  const gone = ['night-shift', 'rain-on-the-works']
  expect(await change(['welcome', 'visit'], { kind: 'remove' })).toMatchObject({
    done: 0,
    refused: [{ problem: { code: 'home-shows-it' } }, { problem: { code: 'has-below' } }],
  })
  expect((await change(gone, { kind: 'remove' })).done).toBe(2)
  expect((await ids('state=removed')).sort()).toEqual(['clocks-do-not-sleep', ...gone])
  expect((await fetch(`${server.origin}/stories/night-shift`)).status).toBe(404)
  expect((await who.wim!.call('GET', '/entries/night-shift')).status).toBe(404)
  const other = await who.wim!.call('POST', '/entries', { id: 'other-shift', type: 'story', title: 'Night shift' })
  expect(as<OpenEntryAnswer>(other.body).entry.slug).toBe('night-shift')
  expect((await change(['night-shift'], { kind: 'put-back' })).done).toBe(1)
  expect((await open('night-shift')).entry.slug).toBe('night-shift-2')
  expect((await fetch(`${server.origin}/stories/night-shift-2`)).status).toBe(200)
  expect((await who.orla!.call('DELETE', '/removed')).body).toMatchObject({ cleared: 2 })
  expect(await ids('state=removed')).toEqual([])
  expect(await change(gone.slice(1), { kind: 'put-back' })).toMatchObject({ done: 0 })
})

test('a working copy is the writer’s own, may be unstorable, and goes when the entry is stored', async () => {
  const { entry, revision, working } = await open('sunday-wound')
  expect(working).toBeNull()
  const keep = (copy: object | null, by = 'wim') =>
    who[by]!.call('PUT', '/entries/sunday-wound/working', { working: copy && { entry: copy, revision } })
  expect((await keep({ ...entry, title: 'Half a ti', slug: 'Not So' })).status).toBe(200)
  expect((await open('sunday-wound')).working).toMatchObject({
    revision,
    entry: { title: 'Half a ti', slug: 'Not So' },
  })
  expect((await open('sunday-wound', 'ada')).working).toBeNull()
  expect(await ids('state=writing')).toEqual(['sunday-wound'])
  expect(await ids('state=writing', 'ada')).toEqual([])
  expect((await fetch(`${server.origin}/stories/sunday-wound`)).status).toBe(200)
  expect((await keep({ ...entry, id: 'welcome' })).status).toBe(422)
  expect((await keep({ ...entry, content: '<p>' })).status).toBe(422)
  expect((await keep({ title: 'A wish' })).status).toBe(422)
  expect((await put('sunday-wound', { ...entry, title: 'A whole title' }, revision)).status).toBe(200)
  expect((await open('sunday-wound')).working).toBeNull()
  await keep({ ...entry, title: 'Again' })
  expect((await keep(null)).status).toBe(200)
  expect((await open('sunday-wound')).working).toBeNull()
})

test('every stored state is kept and can be looked at', async () => {
  const { states } = as<StatesAnswer>((await who.wim!.call('GET', '/entries/sunday-wound/states')).body)
  expect(states.map((s) => [s.revision, s.by])).toEqual([
    [2, 'Wim Tolley'],
    [1, ''],
  ])
  const first = await who.wim!.call('GET', '/entries/sunday-wound/states/1')
  expect(as<{ entry: Entry }>(first.body).entry.title).toBe('Sunday, wound')
  for (const at of ['9', 'x', '-1', '1.5'])
    expect((await who.wim!.call('GET', `/entries/sunday-wound/states/${at}`)).status).toBe(404)
  expect((await who.wim!.call('GET', '/entries/nowhere/states')).status).toBe(404)
})

test('of two writers the second hears what was stored, and what both began with', async () => {
  const { entry, revision } = await open('ninety-one-steps')
  expect((await put('ninety-one-steps', { ...entry, title: 'By Wim' }, revision)).status).toBe(200)
  const late = await put('ninety-one-steps', { ...entry, summary: 'By Ada' }, revision, 'ada')
  expect(late.status).toBe(409)
  const { current, base } = as<StaleEntryAnswer>(late.body)
  expect([current.revision, current.entry.title, base]).toEqual([revision + 1, 'By Wim', entry])
})

test('an entry is out from and until its moments', async () => {
  const { entry, revision } = await open('ninety-one-steps')
  const status = async () => (await fetch(`${server.origin}/stories/ninety-one-steps`)).status
  const at = async (more: object, by: number) => {
    const answer = await put('ninety-one-steps', { ...entry, ...more }, revision + by)
    return [answer.status, answer.status === 200 ? await status() : answer.body.problem?.code]
  }
  expect(await at({ from: '2999-01-01T00:00' }, 0)).toEqual([200, 404])
  expect((await ids('state=waiting')).sort()).toEqual(['ninety-one-steps', 'the-bell-comes-home'])
  expect(await at({ from: '2020-01-01T00:00', until: '2020-02-01T00:00' }, 1)).toEqual([200, 404])
  expect(await ids('state=over')).toEqual(['ninety-one-steps'])
  expect(await at({ from: '2020-01-01T00:00', until: null }, 2)).toEqual([200, 200])
  expect(await at({ from: 'soon' }, 3)).toEqual([422, 'entry-shape'])
  expect(await at({ from: '2020-01-01T00:00:30Z' }, 3)).toEqual([422, 'entry-shape'])
})

test.each([
  ['nothing chosen', { ids: [], does: { kind: 'publish' } }],
  ['nothing done', { ids: ['welcome'] }],
  ['something unknown', { ids: ['welcome'], does: { kind: 'wish' } }],
  ['a term that is none', { ids: ['welcome'], does: { kind: 'add-term', term: 1 } }],
  ['too many', { ids: Array.from({ length: 5001 }, (_, i) => `e${i}`), does: { kind: 'publish' } }],
])('%s is refused, and nothing is changed', async (_, input) => {
  expect((await who.wim!.call('POST', '/entries/change', input)).status).toBe(422)
})
