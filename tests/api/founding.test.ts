import type { FoundingInput } from '#shared/api/types'
import { type TestServer, startServer } from '../server'
import { Client } from './client'

/** An installation before there is a site, and how one is founded. */

const codeOf = (server: TestServer) => /"event":"to-be-founded","code":"([A-Z0-9-]+)"/.exec(server.said())?.[1] ?? ''
const input = (code: string, more: Partial<FoundingInput> = {}): FoundingInput => ({
  code,
  site: { name: 'Salt Works', origin: 'http://localhost', locale: 'en-GB', currency: 'EUR', timeZone: 'Europe/Lisbon' },
  beginning: 'pages-and-stories',
  owner: { name: 'Rui', mail: 'rui@saltworks.example.org', password: 'a heron on the dyke' },
  ...more,
})
const open = (server: TestServer) => new Client(server).open()

let server: TestServer
const begin = async () => {
  server = await startServer({ demo: 'none' })
}
const end = () => server.stop()

describe('a site is founded', () => {
  beforeEach(begin, 40_000)
  afterEach(end)

  test('before a site is founded visitors are told so, and nobody is let in', async () => {
    const answer = await fetch(`${server.origin}/anything`)
    expect([answer.status, answer.headers.get('retry-after')]).toEqual([503, '60'])
    expect(await answer.text()).toContain('There is no site here yet')
    const client = await open(server)
    expect((await client.call('GET', '/session')).body).toMatchObject({ founded: false, user: null })
    expect((await client.call('GET', '/site')).status).toBe(401)
  })

  test('the code founds a site once; whoever has it is the owner and signed in, and the site answers at once', async () => {
    const client = await open(server)
    const founded = await client.call('POST', '/founding', input(` ${codeOf(server).toLowerCase().replace('-', ' ')}`))
    expect(founded).toMatchObject({ status: 200, body: { user: { name: 'Rui', role: 'owner' } } })
    expect((await client.call('GET', '/session')).body).toMatchObject({ founded: true, site: 'Salt Works' })
    const home = await fetch(server.origin)
    expect([home.status, (await home.text()).includes('<h1')]).toEqual([200, true])
    expect((await fetch(`${server.origin}/stories`)).status).toBe(200)
    const again = await client.call('POST', '/founding', input(codeOf(server)))
    expect([again.status, again.body.problem.code]).toEqual([409, 'founded-already'])
    await server.restart()
    expect(server.said()).not.toContain('to-be-founded')
    const later = await open(server)
    expect(
      (await later.call('POST', '/session', { mail: 'rui@saltworks.example.org', password: 'a heron on the dyke' }))
        .status,
    ).toBe(200)
  })

  test('a site may begin with nothing at all', async () => {
    const client = await open(server)
    expect((await client.call('POST', '/founding', input(codeOf(server), { beginning: 'nothing' }))).status).toBe(200)
    const home = await fetch(server.origin)
    expect([home.status, await home.text()]).toEqual([200, expect.stringContaining('Salt Works')])
    expect((await fetch(`${server.origin}/lost`)).status).toBe(404)
  })

  test('of two who found it at once one is the owner', async () => {
    const clients = await Promise.all([open(server), open(server)])
    const code = codeOf(server)
    const answers = await Promise.all(clients.map((c) => c.call('POST', '/founding', input(code))))
    expect(answers.map((a) => a.status).sort()).toEqual([200, 409])
  })

  test('guesses at the code are limited', async () => {
    const client = await open(server)
    const statuses: number[] = []
    for (let i = 0; i < 10; i++) statuses.push((await client.call('POST', '/founding', input('AAAA-AAAA'))).status)
    expect(statuses).toEqual([...Array<number>(8).fill(403), 429, 429])
  })
})

const site = input('').site
const owner = input('').owner
describe('what is refused', () => {
  beforeAll(begin, 40_000)
  afterAll(end)

  test.each<[string, Partial<Record<keyof FoundingInput, unknown>>]>([
    ['no code', { code: '' }],
    ['a code that is a list', { code: ['A'] }],
    ['a site without a name', { site: { ...site, name: '  ' } }],
    ['a language there is none of', { site: { ...site, locale: 'en_GB!' } }],
    ['a currency there is none of', { site: { ...site, currency: 'SALT' } }],
    ['a time zone there is none of', { site: { ...site, timeZone: 'Europe/Atlantis' } }],
    ['an origin that is a script', { site: { ...site, origin: 'javascript:alert(1)' } }],
    ['more of a site than there is', { site: { ...site, shop: true } }],
    ['another beginning', { beginning: 'everything' }],
    ['a short password', { owner: { ...owner, password: 'short' } }],
    ['no mail address', { owner: { ...owner, mail: 'rui' } }],
    ['a role of one’s own', { owner: { ...owner, role: 'owner' } }],
    ['no owner', { owner: null }],
  ])('%s is refused, and nothing is stored', async (_, more) => {
    const client = await open(server)
    const code = 'code' in more ? more.code : codeOf(server)
    const { status, body } = await client.call('POST', '/founding', { ...input(''), ...more, code })
    expect([status, body.problem.sentence]).toEqual([422, expect.stringContaining('Nothing was stored.')])
    expect((await client.call('GET', '/session')).body).toMatchObject({ founded: false })
  })
})
