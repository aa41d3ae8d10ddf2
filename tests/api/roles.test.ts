import { readFileSync, readdirSync } from 'node:fs'
import { join } from 'node:path'
import { includesRole } from '#core/model'
import { type TestServer, startServer } from '../server'
import { Client } from './client'

/** Every way into the studio, against everybody: who may not use it is told so, whatever they send. */

type Role = 'member' | 'writer' | 'designer' | 'owner'
const PEOPLE: readonly [who: string, role: Role | null][] = [
  ['a visitor', null],
  ['mina', 'member'],
  ['wim', 'writer'],
  ['ada', 'designer'],
  ['orla', 'owner'],
]
/** Open to all: they are how one comes in, and goes out. */
const OPEN = ['[...].ts', 'founding.post.ts', 'session.delete.ts', 'session.get.ts', 'session.post.ts']

const API = join('server', 'api')
const files = readdirSync(API, { recursive: true, encoding: 'utf8' })
  .map((file) => file.replaceAll('\\', '/'))
  .filter((file) => file.endsWith('.ts') && !OPEN.includes(file))

interface Way {
  method: string
  path: string
  role: Role
}
const ways = files.map((file): Way => {
  const [, role] = /studioHandler(?:<[\s\S]*?>)?\(\s*'(\w+)'/.exec(readFileSync(join(API, file), 'utf8')) ?? []
  const [, place, method = ''] = /^(.*)\.(get|put|post|delete|patch)\.ts$/.exec(file) ?? []
  const path = (place ?? file).replace(/\/?index$/, '').replace(/\[[^\]]+\]/g, '99999')
  return { method: method.toUpperCase(), path: `/api/${path}`, role: role as Role }
})

let server: TestServer
const clients = new Map<string, Client>()
beforeAll(async () => {
  server = await startServer()
  for (const [who, role] of PEOPLE) {
    const client = await new Client(server).open()
    if (role) await client.signIn(who)
    clients.set(who, client)
  }
}, 60_000)
afterAll(() => server.stop())

/** How an answer begins; some go on for as long as a window is open. */
async function begun(client: Client, { method, path }: Way): Promise<number> {
  const signal = AbortSignal.timeout(20_000)
  const body = method === 'GET' ? undefined : '[]'
  const answer = await client.fetch(path, { method, body, signal, headers: { 'content-type': 'application/json' } })
  void answer.body?.cancel()
  return answer.status
}

test('each says for whom it is', () => {
  expect(ways.length).toBeGreaterThan(90)
  for (const way of ways) {
    expect([way.path, ['member', 'writer', 'designer', 'owner'].includes(way.role)]).toEqual([way.path, true])
    expect([way.path, /^(GET|PUT|POST|DELETE|PATCH)$/.test(way.method)]).toEqual([way.path, true])
  }
})

test.each(PEOPLE)('what %s may use', async (who, role) => {
  const client = clients.get(who)!
  for (const way of ways) {
    const may = role !== null && includesRole(role, way.role)
    const status = await begun(client, way)
    const refused = status === 401 || status === 403
    expect([way.method, way.path, status, refused]).toEqual([way.method, way.path, status, !may])
    if (!may) expect([way.path, status]).toEqual([way.path, role === null ? 401 : 403])
    // Whoever may is answered, and nothing breaks at what was sent.
    else expect([way.path, status < 500]).toEqual([way.path, true])
  }
})
