import { readdirSync } from 'node:fs'
import { join } from 'node:path'
import type { Layout } from '#core/tree'
import type { MessagesAnswer } from '#shared/api/types'
import { type TestServer, startServer } from '../server'
import { column, element, frame, row } from '../fixtures'
import { Client } from './client'

/** Forms over HTTP: what comes by the thousand, from elsewhere and in other shapes; who reads what was sent; a killed server. */

let server: TestServer
let ada: Client
let wim: Client
let mina: Client
const as = async (who: string): Promise<Client> => {
  const client = await new Client(server).open()
  await client.signIn(who)
  return client
}

const questions = [
  element('question', { label: 'Your name', required: true }, 'name'),
  element('question', { kind: 'long', label: 'Your message' }, 'words'),
  element('question', { kind: 'mail', label: 'Your mail' }, 'mail'),
  element('question', { kind: 'file', label: 'A photograph' }, 'photo'),
]
const place = {
  kind: 'place',
  id: 'ask-place',
  type: 'form',
  props: {},
  styles: {},
  children: [row(column(12, ...questions))],
}
const asks = { ...element('form', { name: 'Ask' }, 'ask'), children: [place] }

beforeAll(async () => {
  server = await startServer()
  ;[ada, wim, mina] = [await as('ada'), await as('wim'), await as('mina')]
  const made = await ada.call('POST', '/layouts', { id: 'with-form', name: 'With a form', region: 'body' })
  expect(made.status).toBe(200)
  const insert = { kind: 'insert', parent: 'with-form', index: 0, node: row(column(12, asks as never)) }
  const edits = [{ id: 'first', does: 'edit', edit: insert }]
  expect((await ada.call('POST', '/layouts/with-form/edits', { revision: 1, edits })).status).toBe(200)
  const over = frame('asks', [{ kind: 'page', page: 'entry:access' }], { body: { kind: 'use', layout: 'with-form' } })
  expect((await ada.call('PUT', '/frames/asks', { frame: over, revision: 0 })).status).toBe(200)
  expect((await ada.call('POST', '/releases', { note: 'A form' })).status).toBe(200)
}, 60_000)
afterAll(() => server.stop())

const page = async () => (await fetch(`${server.origin}/access`)).text()
const proof = async () => /name="proof" value="([^"]+)"/.exec(await page())![1]!
const send = async (
  values: Record<string, string> | URLSearchParams,
  headers: Record<string, string> = {},
): Promise<Response> =>
  fetch(`${server.origin}/access`, {
    method: 'POST',
    redirect: 'manual',
    headers: { 'content-type': 'application/x-www-form-urlencoded', ...headers },
    body: new URLSearchParams(values),
  })
const right = async (more: Record<string, string> = {}) => ({
  form: 'form',
  of: 'ask',
  proof: await proof(),
  'q.name': 'Inez',
  'q.words': 'A clock of ours has stopped.',
  ...more,
})
const messages = async (client = wim, query = '') => {
  const { status, body } = await client.call('GET', `/visitors/messages${query}`)
  return { status, ...(body as unknown as MessagesAnswer) }
}

test('a form of the draft is judged and thanked for, and stores nothing', async () => {
  const { body } = await ada.call('POST', '/draft-links', { hours: 1 })
  const { address } = body as unknown as { address: string }
  const cookie = (await fetch(server.origin + address, { redirect: 'manual' })).headers
    .get('set-cookie')!
    .split(';')[0]!
  const rename = { kind: 'setProperty', id: 'name', property: 'label', value: 'Name in the draft' }
  const edits = [{ id: 'draft-label', does: 'edit', edit: rename }]
  expect((await ada.call('POST', '/layouts/with-form/edits', { revision: 2, edits })).status).toBe(200)
  const drawn = await (await fetch(`${server.origin}/access`, { headers: { cookie } })).text()
  expect(drawn).toContain('Name in the draft')
  const proof = /name="proof" value="([^"]+)"/.exec(drawn)![1]!
  const count = async () => (await messages()).messages.length
  const before = await count()
  const empty = await send({ form: 'form', of: 'ask', proof, 'q.name': '' }, { cookie })
  expect([empty.status, (await empty.text()).includes('Name in the draft')]).toEqual([422, true])
  const sent = await send({ form: 'form', of: 'ask', proof, 'q.name': 'Inez' }, { cookie })
  expect([sent.status, sent.headers.get('location')]).toEqual([303, '/access?sent=ask#of-ask'])
  expect(await count()).toBe(before)
  // The site itself is as it was, and takes what is sent to it.
  expect(await page()).not.toContain('Name in the draft')
  expect((await send(await right())).status).toBe(303)
  expect(await count()).toBe(before + 1)
})

const inSent = () =>
  readdirSync(join(server.data, 'sent'), { recursive: true, withFileTypes: true }).filter((e) => e.isFile()).length
const upload = async (values: Record<string, string>, file = 'q.photo', bytes = 'a letter, and no photograph') => {
  const body = new FormData()
  for (const [name, value] of Object.entries(values)) body.append(name, value)
  body.append(file, new Blob([bytes]), 'letter.txt')
  return fetch(`${server.origin}/access`, { method: 'POST', redirect: 'manual', body })
}

test('files are kept for a form that was drawn here and asks for them, and for nothing else', async () => {
  const { proof: drawn, ...undrawn } = await right()
  expect((await upload(undrawn)).status).toBe(409)
  expect((await upload({ ...undrawn, proof: 'made.up' })).status).toBe(409)
  expect((await upload({ ...undrawn, proof: drawn, of: 'another' })).status).toBe(422)
  expect((await upload({ ...undrawn, proof: drawn }, 'q.words')).status).toBe(303)
  expect((await upload({ ...undrawn, proof: drawn, form: 'newsletter' })).status).toBe(422)
  expect(inSent()).toBe(0)
  // One that is wrong elsewhere comes back with its file, which is sent again by its name alone.
  const wrong = await upload({ ...undrawn, proof: drawn, 'q.mail': 'nobody' })
  expect([wrong.status, inSent()]).toEqual([422, 1])
  expect((await upload({ ...undrawn, proof: drawn, 'q.name': 'Inez with a letter' })).status).toBe(303)
  expect(inSent()).toBe(1)
  const { messages: all } = await messages()
  expect(all[0]!.message.answers.find((a) => a.kind === 'file')!.says).toEqual(['letter.txt'])
  expect((await wim.call('POST', '/visitors/messages/removed', { ids: all.map((m) => m.id) })).status).toBe(200)
})

test('what a visitor sends is read by those who work there, and by nobody else', async () => {
  const answer = await send(await right())
  expect([answer.status, answer.headers.get('location')]).toEqual([303, '/access?sent=ask#of-ask'])
  const { status, messages: all } = await messages()
  expect([status, all.map((m) => m.message.answers.map((a) => a.says))]).toEqual([
    200,
    [[['Inez'], ['A clock of ours has stopped.']]],
  ])
  const { id } = all[0]!
  const visitor = await new Client(server).open()
  for (const [client, expected] of [
    [mina, 403],
    [visitor, 401],
  ] as const) {
    expect((await client.call('GET', '/visitors/messages')).status).toBe(expected)
    expect((await client.call('PUT', `/visitors/messages/${id}`, { state: 'read' })).status).toBe(expected)
    expect((await client.call('POST', '/visitors/messages/removed', { ids: [id] })).status).toBe(expected)
    expect((await client.fetch('/api/visitors/messages/table')).status).toBe(expected)
  }
  expect((await wim.call('PUT', `/visitors/messages/${id}`, { state: 'read', note: 'Rang' })).status).toBe(200)
  expect((await wim.call('PUT', `/visitors/messages/${id}`, { state: 'burnt' })).status).toBe(422)
  expect((await wim.call('PUT', '/visitors/messages/99999', { state: 'read' })).status).toBe(404)
  expect((await wim.call('POST', '/visitors/messages/removed', { ids: ['all'] })).status).toBe(422)
  expect((await messages(wim, '?state=read&words=stopped')).messages).toHaveLength(1)
  expect((await messages(wim, '?words=nothing&before=x&state=burnt')).messages).toEqual([])
  const table = await wim.fetch('/api/visitors/messages/table')
  expect(table.headers.get('content-disposition')).toBe('attachment; filename="messages.csv"')
  expect(await table.text()).toContain('Rang,Inez,A clock of ours has stopped.')
  // No answer is ever in a log.
  expect(server.said()).toContain('message-kept')
  expect(server.said()).not.toMatch(/Inez|stopped/)
})

test('forms of another site, of another kind, too large, or of ten thousand fields', async () => {
  const before = (await messages()).messages.length
  const values = await right({ 'q.name': 'Forged' })
  expect((await send(values, { origin: 'https://elsewhere.example' })).status).toBe(403)
  expect((await send(values, { 'sec-fetch-site': 'cross-site' })).status).toBe(403)
  expect((await send(values, { 'content-type': 'application/json' })).status).toBe(415)
  expect((await send({ ...values, 'q.words': 'x'.repeat(200_000) })).status).toBe(413)
  const many = new URLSearchParams(Array.from({ length: 10_000 }, (_, i) => [`f${i}`, '1']))
  expect((await send(many)).status).toBeLessThan(500)
  const none = await send({ ...values, proof: `${values.proof.slice(0, -2)}zz` })
  expect([none.status, (await none.text()).includes('value="Forged"')]).toEqual([409, true])
  expect((await send({ ...values, of: '__proto__' })).status).toBe(422)
  expect((await send({ ...values, form: '__proto__' })).status).toBe(422)
  expect((await fetch(`${server.origin}/visit`, { method: 'POST', body: new URLSearchParams(values) })).status).toBe(
    405,
  )
  const headers = await send(await right({ 'q.mail': 'a@b.example\r\nBcc: all@example.org' }))
  expect(headers.status).toBe(422)
  expect((await messages()).messages).toHaveLength(before)
})

test('what was answered with thanks is there after the server was killed', async () => {
  const count = (await messages()).messages.length
  const sent = await Promise.all(
    Array.from({ length: 8 }, async (_, i) => (await send(await right({ 'q.name': `Kept ${i}` }))).status),
  )
  process.kill(server.pid(), 'SIGKILL')
  await server.restart()
  wim = await as('wim')
  expect(sent).toEqual(sent.map(() => 303))
  expect((await messages()).messages).toHaveLength(count + 8)
}, 60_000)

test('a form that is gone is told, and what a file holds of no shape takes nothing down', async () => {
  const values = await right({ 'q.name': 'Late' })
  ada = await as('ada')
  const { layout } = (await ada.call('GET', '/layouts/with-form')).body as unknown as { layout: Layout }
  const { revision } = (await ada.call('GET', '/layouts/with-form')).body
  const edits = [{ id: 'gone', does: 'edit', edit: { kind: 'remove', id: layout.children[0]!.id } }]
  expect((await ada.call('POST', '/layouts/with-form/edits', { revision, edits })).status).toBe(200)
  expect((await ada.call('POST', '/releases', { note: 'No form' })).status).toBe(200)
  expect((await send(values)).status).toBe(405)
  expect((await messages()).status).toBe(200)
})
