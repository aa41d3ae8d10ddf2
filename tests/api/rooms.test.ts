import { nanoid } from 'nanoid'
import sharp from 'sharp'
import type { PlainEdit } from '#core/edits'
import type { MenuSet, Site } from '#core/model'
import type { PicturesAnswer, StoredPictureAnswer, UsersAnswer } from '#shared/api/types'
import { type TestServer, startServer } from '../server'
import { ALL_ROLES, Client, everyone } from './client'

/** Menus, pictures, files, settings and users, by whoever may and whoever may not. */

let server: TestServer
let who: Record<string, Client>
beforeAll(async () => {
  server = await startServer()
  who = await everyone(server)
}, 60_000)
afterAll(() => server.stop())

const as = <T>(body: unknown): T => body as T
const WRITERS = [401, 403, 200, 200, 200]
const DESIGNERS = [401, 403, 403, 200, 200]
const OWNERS = [401, 403, 403, 403, 200]
/** One after the other, so that none stands on what another has just changed. */
async function statuses(call: (by: string) => Promise<{ status: number }>): Promise<number[]> {
  const found: number[] = []
  for (const by of ALL_ROLES) found.push((await call(by)).status)
  return found
}
const site = async () => as<{ site: Site }>((await who.ada!.call('GET', '/site')).body).site
const png = (width: number, height = width) =>
  sharp({ create: { width, height, channels: 3, background: { r: width % 255, g: 90, b: 40 } } })
    .png()
    .toBuffer()
async function send(path: string, bytes: Buffer, by = 'wim', method = 'POST') {
  const headers = { 'content-type': 'application/octet-stream' }
  const answer = await who[by]!.fetch(`/api${path}`, { method, body: new Uint8Array(bytes) as never, headers })
  return {
    status: answer.status,
    body: (await answer.json()) as StoredPictureAnswer & { id: string; fileName: string; problem?: { code: string } },
  }
}

const menus = async (by = 'ada') =>
  as<{ document: MenuSet; revision: number }>((await who[by]!.call('GET', '/menus')).body)
const edit = async (change: PlainEdit, by = 'ada') =>
  who[by]!.call('POST', '/menus/edits', {
    revision: (await menus()).revision,
    edits: [{ id: nanoid(12), edit: change, does: 'edit' }],
  })

test('menus are looked at by writers and changed by designers; visitors see them after a release', async () => {
  expect(await statuses((by) => who[by]!.call('GET', '/menus'))).toEqual(WRITERS)
  const named = (by: string) => edit({ kind: 'set', at: ['menus', 'small-print', 'name'], value: `By ${by}` }, by)
  expect(await statuses(named)).toEqual(DESIGNERS)
  const item = { id: 'more', label: 'More of it', link: { page: 'archive:talk' }, items: [] }
  expect((await edit({ kind: 'insert', at: ['menus', 'main', 'items'], index: 0, item })).status).toBe(200)
  const home = async () => (await fetch(server.origin)).text()
  expect(await home()).not.toContain('More of it')
  expect((await site()).menus[0]!.items[0]!.label).toBe('More of it')
  const { body } = await who.ada!.call('GET', '/releases')
  expect(JSON.stringify(body.waiting)).toContain('"what":"menu","how":"changed","id":"main"')
  expect((await who.ada!.call('POST', '/releases', {})).status).toBe(200)
  expect(await home()).toContain('More of it')
  // Taken back from the release before.
  expect((await who.ada!.call('POST', '/releases/1/bring-back', { what: { kind: 'menu', id: 'main' } })).status).toBe(
    200,
  )
  expect((await menus()).document.menus.find((m) => m.id === 'main')!.items[0]!.id).not.toBe('more')
})

test('an item goes by what its page is called, and is left out when that is gone', async () => {
  const item = { id: 'follows', label: '', link: { page: 'entry:contact' }, items: [] }
  await edit({ kind: 'insert', at: ['menus', 'main', 'items'], index: 0, item })
  await who.ada!.call('POST', '/releases', {})
  const home = async () => (await fetch(server.origin)).text()
  const { body } = await who.wim!.call('GET', '/entries/contact')
  const { entry, revision } = as<{ entry: object; revision: number }>(body)
  await who.wim!.call('PUT', '/entries/contact', { entry: { ...entry, title: 'Write to us' }, revision })
  expect(await home()).toMatch(/<header>.*Write to us.*<\/header>/s)
  await who.wim!.call('PUT', '/entries/contact', { entry: { ...entry, published: false }, revision: revision + 1 })
  expect(await home()).not.toMatch(/<header>.*(Write to us|Contact).*<\/header>/s)
})

test.each<[string, PlainEdit]>([
  [
    'an item twice',
    {
      kind: 'insert',
      at: ['menus', 'main', 'items'],
      index: 0,
      item: { id: 'item-3', label: '', link: '', items: [] } as never,
    },
  ],
  ['a link that runs', { kind: 'set', at: ['menus', 'main', 'items', 'item-3', 'link'], value: 'javascript:alert(1)' }],
  ['a menu without a name for its items', { kind: 'set', at: ['menus', 'main', 'items'], value: 'none' }],
  ['the whole as nothing', { kind: 'set', at: [], value: null }],
])('%s is refused, and nothing is stored', async (_, change) => {
  const before = await menus()
  expect((await edit(change)).status).toBe(422)
  expect(await menus()).toEqual(before)
})

test('a parcel carries menus, and brings them back', async () => {
  const parcel = as<{ menus: { id: string; name: string }[] }>((await who.ada!.call('GET', '/parcel')).body)
  expect(parcel.menus.map((m) => m.id)).toContain('rooms')
  await edit({ kind: 'remove', at: ['menus'], id: 'rooms' })
  const plan = await who.ada!.call('POST', '/parcel/preview', { parcel })
  expect(as<{ items: object[] }>(plan.body).items).toContainEqual({
    what: 'menu',
    id: 'rooms',
    name: 'Rooms',
    state: 'new',
  })
  expect((await who.ada!.call('POST', '/parcel', { parcel })).status).toBe(200)
  expect((await menus()).document.menus.map((m) => m.id)).toContain('rooms')
})

test('pictures are brought, described, replaced, taken away and put back by writers', async () => {
  let size = 40
  const add = async (by: string) => send('/pictures?name=a.png', await png(size++), by)
  expect(await statuses(add)).toEqual(WRITERS)
  expect(await statuses((by) => who[by]!.call('GET', '/pictures'))).toEqual(WRITERS)
  const { body } = await add('wim')
  const { id } = body.picture
  const say = (by: string, more = {}) =>
    who[by]!.call('PUT', `/pictures/${id}`, { alt: `By ${by}`, focus: null, ...more })
  expect(await statuses(say)).toEqual(WRITERS)
  expect((await say('wim', { focus: { x: 3, y: 0 } })).status).toBe(422)
  expect((await say('wim', { alt: 5 })).status).toBe(422)
  const replace = async (by: string) => send(`/pictures/${id}/file?name=b.png`, await png(size++), by, 'PUT')
  expect(await statuses(replace)).toEqual(WRITERS)
  expect((await send('/pictures/nothing/file?name=b.png', await png(9), 'wim', 'PUT')).status).toBe(404)
  const shown = (await site()).pictures.find((p) => p.id === id)!
  expect([shown.alt, shown.fileName, shown.width]).toEqual(['By orla', 'b.png', size - 1])
  const remove = (by: string) => who[by]!.call('POST', '/pictures/removed', { ids: [id], removed: true })
  expect(await statuses(remove)).toEqual(WRITERS)
  expect((await site()).pictures.some((p) => p.id === id)).toBe(false)
  expect((await fetch(`${server.origin}/pictures/${id}/b.png`)).status).toBe(404)
  const gone = as<PicturesAnswer>((await who.wim!.call('GET', '/pictures?removed=1')).body)
  expect(gone.pictures.map((p) => p.picture.id)).toEqual([id])
  await who.wim!.call('POST', '/pictures/removed', { ids: [id], removed: false })
  const answer = await fetch(`${server.origin}/pictures/${id}/b.png`)
  expect([answer.status, answer.headers.get('content-type'), answer.headers.get('x-content-type-options')]).toEqual([
    200,
    'image/png',
    'nosniff',
  ])
})

test('a published picture carries its sizes once they are made, each for ever at its own address', async () => {
  const { body } = await send('/pictures?name=wide.png', await png(900, 600))
  const { id } = body.picture
  const { entry, revision } = as<{ entry: object; revision: number }>(
    (await who.wim!.call('GET', '/entries/night-shift')).body,
  )
  expect(
    (await who.wim!.call('PUT', '/entries/night-shift', { entry: { ...entry, picture: id }, revision })).status,
  ).toBe(200)
  const html = async () => (await fetch(`${server.origin}/stories/night-shift`)).text()
  for (let i = 0; i < 400 && !(await html()).includes('900.avif'); i++)
    await new Promise((done) => setTimeout(done, 100))
  const found = await html()
  expect(found).toMatch(
    /<source type="image\/avif" srcset="[^"]+\/320\.avif 320w, [^"]+\/900\.avif 900w" sizes="[^"]+">/,
  )
  const size = /srcset="([^" ]+\/480\.webp|[^"]*?(\/pictures\/[^ ]+\/480\.webp))/.exec(found)
  const answer = await fetch(`${server.origin}${size![2] ?? size![1]}`)
  expect([answer.status, answer.headers.get('content-type'), answer.headers.get('cache-control')]).toEqual([
    200,
    'image/webp',
    'public, max-age=31536000, immutable',
  ])
}, 30_000)

test('documents are brought and given out safely, whole and in part', async () => {
  const pdf = Buffer.from('%PDF-1.7\n%âãÏÓ\n0123456789')
  expect(await statuses((by) => send('/files?name=plan.pdf', pdf, by))).toEqual(WRITERS)
  expect(await statuses((by) => who[by]!.call('GET', '/files'))).toEqual(WRITERS)
  const { body: file } = await send('/files?name=plan.pdf', pdf)
  const address = `${server.origin}/files/${file.id}/${file.fileName}`
  const whole = await fetch(address)
  expect([whole.status, whole.headers.get('content-type'), whole.headers.get('content-security-policy')]).toEqual([
    200,
    'application/pdf',
    expect.stringContaining('sandbox') as string,
  ])
  const part = await fetch(address, { headers: { range: 'bytes=-10' } })
  expect([part.status, await part.text(), part.headers.get('content-range')]).toEqual([
    206,
    '0123456789',
    `bytes ${pdf.length - 10}-${pdf.length - 1}/${pdf.length}`,
  ])
  expect((await fetch(address, { headers: { range: 'bytes=9999-' } })).status).toBe(416)
  // A part is of the same bytes, or it is the whole.
  const tag = whole.headers.get('etag')!
  const parts = await Promise.all(
    [tag, '"another"', 'Tue, 01 Dec 2026 10:00:00 GMT'].map((ifRange) =>
      fetch(address, { headers: { range: 'bytes=-10', 'if-range': ifRange } }),
    ),
  )
  expect(parts.map((p) => p.status)).toEqual([206, 200, 200])
  expect((await fetch(address, { headers: { 'if-none-match': '*' } })).status).toBe(304)
  expect((await fetch(address, { headers: { 'if-none-match': whole.headers.get('etag')! } })).status).toBe(304)
  expect((await send('/files?name=a.html', Buffer.from('<html><script>1</script></html>'))).body.problem?.code).toBe(
    'file-kind',
  )
  expect(
    await statuses((by) =>
      by === 'nobody' || by === 'mina' ? who[by]!.call('DELETE', `/files/${file.id}`) : who[by]!.call('GET', '/files'),
    ),
  ).toEqual(WRITERS)
  expect((await who.wim!.call('DELETE', `/files/${file.id}`)).status).toBe(200)
  expect((await fetch(address)).status).toBe(404)
}, 60_000)

test('settings are the owner’s, each by itself', async () => {
  const set = (change: object, by = 'orla') => who[by]!.call('PUT', '/settings', { change })
  expect(await statuses((by) => set({ tagline: `By ${by}` }, by))).toEqual(OWNERS)
  expect((await site()).settings.tagline).toBe('By orla')
  expect((await fetch(`${server.origin}/search`)).status).toBe(200)
  expect((await set({ search: false })).status).toBe(200)
  expect((await fetch(`${server.origin}/search`)).status).toBe(404)
  for (const change of [
    { locale: 'nothing at all' },
    { timeZone: 'Mars' },
    { currency: 'GOLD' },
    { origin: 'here' },
    { logo: 'nothing' },
    { wish: 1 },
    { home: { kind: 'entry', entry: 'gone' } },
  ])
    expect([change, (await set(change)).status]).toEqual([change, 422])
  expect((await site()).settings.tagline).toBe('By orla')
})

test('the owner says who works here; there is always one, and another role or password ends all sessions', async () => {
  const users = async () => as<UsersAnswer>((await who.orla!.call('GET', '/users')).body).users
  expect(await statuses((by) => who[by]!.call('GET', '/users'))).toEqual(OWNERS)
  const nell = { name: 'Nell', mail: 'nell@quillmere.example.org', role: 'writer', password: 'wind-me-on-sunday' }
  for (const by of ALL_ROLES.slice(0, 4))
    expect((await who[by]!.call('POST', '/users', nell)).status).toBe(OWNERS[ALL_ROLES.indexOf(by)])
  expect((await who.orla!.call('POST', '/users', nell)).status).toBe(200)
  expect(
    (await who.orla!.call('POST', '/users', { ...nell, mail: 'NELL@quillmere.example.org' })).body.problem.code,
  ).toBe('mail-taken')
  const { id } = (await users()).find((u) => u.name === 'Nell')!
  const signedIn = async () => {
    const client = await new Client(server).open()
    await client.signIn('nell')
    return client
  }
  const change = (change: object, of = id, by = 'orla') => who[by]!.call('PUT', `/users/${of}`, change)
  expect((await change({ role: 'owner' }, id, 'ada')).status).toBe(403)
  for (const what of [{ role: 'designer' }, { password: 'another-long-one' }]) {
    const client = what.role ? await signedIn() : await signedIn()
    expect((await client.call('GET', '/entries')).status).toBe(200)
    expect((await change(what)).status).toBe(200)
    expect((await client.call('GET', '/entries')).status).toBe(401)
  }
  await change({ password: 'wind-me-on-sunday' })
  const client = await signedIn()
  expect((await users()).find((u) => u.id === id)!.sessions).toBe(1)
  expect((await who.orla!.call('DELETE', `/users/${id}/sessions`)).status).toBe(200)
  expect((await client.call('GET', '/entries')).status).toBe(401)
  const orla = (await users()).find((u) => u.role === 'owner')!
  expect((await change({ role: 'writer' }, orla.id)).body.problem.code).toBe('last-owner')
  expect((await who.orla!.call('DELETE', `/users/${orla.id}`)).body.problem.code).toBe('not-oneself')
  expect((await who.orla!.call('DELETE', '/users/999')).status).toBe(404)
  expect((await change({ role: 'king' })).status).toBe(422)
  expect((await change({ password: 'short' })).status).toBe(422)
  expect((await who.orla!.call('DELETE', `/users/${id}`)).status).toBe(200)
  expect((await users()).some((u) => u.id === id)).toBe(false)
})
