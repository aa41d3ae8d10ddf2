import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { strFromU8, unzipSync, zipSync } from 'fflate'
import type { DesignAnswer, EntryAnswer, ImportsAnswer, SiteAnswer, SiteFileAnswer } from '#shared/api/types'
import { type TestServer, startServer } from '../server'
import { Client } from './client'

/** A whole site out of one installation and into another that is empty. */

let museum: TestServer
let fresh: TestServer
let orla: Client
let owner: Client
let zip: Uint8Array

beforeAll(async () => {
  museum = await startServer()
  fresh = await startServer({ demo: 'none', data: mkdtempSync(join(tmpdir(), 'outer-frame-')) })
  orla = await new Client(museum).open()
  await orla.signIn('orla')
  owner = await new Client(fresh).open()
  const founded = await owner.call('POST', '/founding', {
    code: /"event":"to-be-founded","code":"([A-Z0-9-]+)"/.exec(fresh.said())![1],
    site: {
      name: 'Empty',
      origin: 'https://empty.example.org',
      locale: 'de-DE',
      timeZone: 'Europe/Berlin',
      currency: 'EUR',
    },
    beginning: 'nothing',
    owner: { name: 'Una', mail: 'una@quillmere.example.org', password: 'a heron on the dyke' },
  })
  expect(founded.status).toBe(200)
  await owner.signIn('una', 'a heron on the dyke')
}, 120_000)
afterAll(async () => {
  await museum.stop()
  await fresh.stop()
})

const upload = async (bytes: Uint8Array, to = owner) => {
  const answer = await to.fetch('/api/site-file?name=museum.site.zip', {
    method: 'POST',
    body: bytes as never,
    headers: { 'content-type': 'application/octet-stream' },
  })
  return { status: answer.status, body: (await answer.json()) as unknown }
}

test('is for the owner alone', async () => {
  const ada = await new Client(museum).open()
  await ada.signIn('ada')
  expect((await ada.call('GET', '/site-file')).status).toBe(403)
  expect((await upload(new Uint8Array(1), ada)).status).toBe(403)
})

test('goes out with all that visitors see, and nothing of users, orders and messages', async () => {
  const answer = await orla.fetch('/api/site-file')
  expect([answer.status, answer.headers.get('content-type')]).toEqual([200, 'application/zip'])
  zip = new Uint8Array(await answer.arrayBuffer())
  const files = unzipSync(zip)
  const document = strFromU8(files['site.json']!)
  const { entries, pictures } = JSON.parse(document) as { entries: number; pictures: { id: string }[] }
  expect(strFromU8(files['entries-1.jsonl']!).trim().split('\n')).toHaveLength(entries)
  for (const { id } of pictures)
    expect([id, Object.keys(files).some((name) => name.startsWith(`images/${id}/`))]).toEqual([id, true])
  const all = document + strFromU8(files['entries-1.jsonl']!)
  expect(all).not.toMatch(/wind-me-on-sunday|argon2|password_hash/)
}, 60_000)

test('is looked at first, and comes in whole: the same pages, on an empty site', async () => {
  const { status, body } = await upload(zip)
  expect(status).toBe(200)
  const told = body as SiteFileAnswer
  expect(told).toMatchObject({ from: 'Quillmere Clock Museum', wrong: 0, problems: [] })
  expect(told.counts.find((c) => c.what === 'entries')).toMatchObject({ differ: 0, same: 0 })
  const run = { replace: true, settings: true }
  expect((await owner.call('POST', `/site-file/${told.id}/run`, run)).status).toBe(200)
  for (;;) {
    const { imports } = (await owner.call('GET', '/imports')).body as unknown as ImportsAnswer
    expect(['running', 'done']).toContain(imports[0]!.state)
    if (imports[0]!.state === 'done') break
    await new Promise((done) => setTimeout(done, 300))
  }
  const there = (await orla.call('GET', '/site')).body as unknown as SiteAnswer
  const here = (await owner.call('GET', '/site')).body as unknown as SiteAnswer
  for (const list of ['types', 'taxonomies', 'terms', 'people', 'menus'] as const)
    expect(here.site[list]).toEqual(there.site[list])
  expect(here.site.entries.map((e) => e.id).sort()).toEqual(there.site.entries.map((e) => e.id).sort())
  expect(here.site.pictures.map((p) => p.id).sort()).toEqual(there.site.pictures.map((p) => p.id).sort())
  expect({ ...here.site.settings, origin: '' }).toEqual({ ...there.site.settings, origin: '' })
  const [before, after] = [orla, owner].map(
    async (c) => (await c.call('GET', '/design')).body as unknown as DesignAnswer,
  )
  const layoutsOf = ({ layouts }: DesignAnswer) => Object.fromEntries(layouts.map((l) => [l.layout.id, l.layout]))
  expect(layoutsOf(await after!)).toEqual(layoutsOf(await before!))
  expect((await after!).house).toEqual((await before!).house)
  const entry = async (c: Client) =>
    (await c.call('GET', '/entries/fenwick-turret-clock')).body as unknown as EntryAnswer
  expect((await entry(owner)).entry).toEqual((await entry(orla)).entry)
  expect((await owner.call('POST', '/releases', { note: 'As it was' })).status).toBe(200)
  /** What a page says, whatever the address of its site. */
  const page = async (server: TestServer, path: string) =>
    (await (await fetch(server.origin + path)).text())
      .replace(/https:\/\/(quillmere|empty)\.example\.org/g, '')
      .replace(/\/_of\/icon\/\w+/g, '')
      .replace(/\/_of\/shared\/[^"]*/g, '')
      .replace(/name="proof" value="[^"]*"/g, '')
      .split('<')
  for (const path of ['/', '/exhibits/fenwick-turret-clock', '/rooms/tower-room', '/visit']) {
    const [here, there] = [await page(fresh, path), await page(museum, path)]
    expect([path, here.filter((part, i) => part !== there[i]).slice(0, 3)]).toEqual([path, []])
    expect(here).toHaveLength(there.length)
  }
}, 180_000)

test('what is no site file is refused with a sentence, and nothing changes', async () => {
  const files = unzipSync(zip)
  const without = ({ [`site.json`]: _, ...rest }: typeof files) => rest
  const odd: [string, Uint8Array][] = [
    ['no zip', new TextEncoder().encode('PK no')],
    ['cut off', zip.slice(0, zip.length / 2)],
    ['no document', zipSync(without(files))],
    ['another document', zipSync({ ...files, 'site.json': new TextEncoder().encode('{"kind":"outer-frame-parcel"}') })],
    ['a damaged line', zipSync({ ...files, 'entries-1.jsonl': new TextEncoder().encode('{"id":') })],
  ]
  for (const [name, bytes] of odd) {
    const { status, body } = await upload(bytes)
    expect([name, status]).toEqual([name, 422])
    expect((body as { problem: { sentence: string } }).problem.sentence).toMatch(/^This is no site file/)
  }
  expect((await owner.call('POST', '/site-file/nothing-here/run', { replace: true, settings: true })).status).toBe(404)
}, 60_000)
