import { type TestServer, startServer } from '../server'
import { frame } from '../fixtures'
import { Client } from './client'

let server: TestServer
let ada: Client

beforeAll(async () => {
  server = await startServer()
  ada = await new Client(server).open()
  await ada.signIn('ada')
}, 40_000)
afterAll(() => server.stop())

const rename = (id: string, name: string) => ({ id, does: 'edit', edit: { kind: 'rename', id: 'house-header', name } })

describe('who may do what', () => {
  const ROUTES: [string, string, unknown][] = [
    ['GET', '/site', undefined],
    ['GET', '/design', undefined],
    ['GET', '/releases', undefined],
    ['GET', '/layouts/house-header', undefined],
    ['GET', '/entries/visit/content', undefined],
    ['POST', '/layouts', { id: 'x', name: 'X', region: 'body' }],
    ['POST', '/layouts/house-header/edits', { revision: 1, edits: [rename('a', 'A')] }],
    ['POST', '/layouts/house-header/restore', undefined],
    ['DELETE', '/layouts/house-header', undefined],
    ['PUT', '/frames/site', { revision: 1, frame: {} }],
    ['DELETE', '/frames/site?revision=1', undefined],
    ['POST', '/releases', { note: '' }],
  ]

  test.each(ROUTES)('%s %s is closed to whoever is not signed in', async (method, path, body) => {
    const stranger = await new Client(server).open()
    const answer = await stranger.call(method, path, body)
    expect(answer.status).toBe(401)
    expect(answer.body.problem.sentence).toContain('You are signed out')
  })

  test.each(ROUTES)('%s %s is closed to a member', async (method, path, body) => {
    const member = await new Client(server).open()
    await member.signIn('mina')
    expect((await member.call(method, path, body)).status).toBe(403)
  })

  test.each(ROUTES.filter(([method]) => method !== 'GET'))(
    '%s %s is closed to a writer',
    async (method, path, body) => {
      const writer = await new Client(server).open()
      await writer.signIn('wim')
      const answer = await writer.call(method, path, body)
      expect(answer.status).toBe(403)
      expect(answer.body.problem.code).toBe('role-lacking')
      expect((await writer.call('GET', '/design')).status).toBe(200)
    },
  )

  test('a request from another site is refused before it is read', async () => {
    const other = await new Client(server).open()
    await other.signIn('ada')
    other.setToken('made-up')
    const answer = await other.call('POST', '/releases', { note: '' })
    expect(answer.status).toBe(403)
    expect(answer.body.problem.code).toBe('cross-site')
  })
})

describe('signing in', () => {
  test('wrong is wrong, whether the name is known or not, and nothing tells them apart', async () => {
    const client = await new Client(server).open()
    const known = await client.signIn('orla', 'wrong')
    const unknown = await client.signIn('nobody', 'wrong')
    expect([known.status, unknown.status]).toEqual([401, 401])
    expect(known.body).toEqual(unknown.body)
  })

  test('the cookie is sealed, http-only and same-site', async () => {
    const client = await new Client(server).open()
    const answer = await client.signIn('ada')
    const cookie = answer.headers.getSetCookie().find((c) => c.startsWith('__Host-outer-frame='))!
    expect(cookie).toMatch(/HttpOnly/i)
    expect(cookie).toMatch(/Secure/i)
    expect(cookie).toMatch(/SameSite=(Lax|Strict)/i)
    expect(cookie).not.toContain('ada')
    expect(answer.body.user).toEqual({
      id: expect.any(Number),
      name: 'Ada Finch',
      mail: 'ada@quillmere.example.org',
      role: 'designer',
    })
    expect((await client.call('GET', '/session')).body.user?.role).toBe('designer')
    await client.call('DELETE', '/session')
    expect((await client.call('GET', '/session')).body.user).toBeNull()
    expect((await client.call('GET', '/design')).status).toBe(401)
  })

  test('attempts are limited', async () => {
    const client = await new Client(server).open()
    let last = await client.signIn('limited', 'wrong')
    for (let i = 0; i < 9 && last.status === 401; i++) last = await client.signIn('limited', 'wrong')
    expect(last.status).toBe(429)
    expect(last.body.problem.sentence).toMatch(/Wait \d+ minutes/)
  })

  test.each([
    ['only when the server was told to', 'yes', 401],
    ['not otherwise', 'no', 429],
  ])("a proxy's word on who asks is taken: %s", async (_, trusts, status) => {
    const own = await startServer({ env: { OUTER_FRAME_TRUST_PROXY: trusts } })
    try {
      const client = await new Client(own).open()
      const guess = (from: string) =>
        client.call('POST', '/session', { mail: 'limited@example.org', password: 'wrong' }, { 'x-forwarded-for': from })
      let last = await guess('192.0.2.1')
      for (let i = 0; i < 9 && last.status === 401; i++) last = await guess('192.0.2.1')
      expect(last.status).toBe(429)
      expect((await guess('192.0.2.2')).status).toBe(status)
    } finally {
      await own.stop()
    }
  })
})

describe('edits', () => {
  test('are applied to the revision they name; a stale one gets what came between, and both keep their work', async () => {
    const made = await ada.call('POST', '/layouts', { id: 'api-layout', name: 'API', region: 'footer' })
    expect(made).toMatchObject({ status: 200, body: { revision: 1 } })
    const edit = (id: string, name: string) => ({ id, does: 'edit', edit: { kind: 'rename', id: 'api-layout', name } })
    expect(
      await ada.call('POST', '/layouts/api-layout/edits', { revision: 1, edits: [edit('a', 'First')] }),
    ).toMatchObject({ status: 200, body: { revision: 2 } })
    const stale = await ada.call('POST', '/layouts/api-layout/edits', { revision: 1, edits: [edit('b', 'Second')] })
    expect(stale).toMatchObject({
      status: 409,
      body: { revision: 2, problem: { code: 'stale-revision' }, between: [{ id: 'a' }] },
    })
    expect(
      await ada.call('POST', '/layouts/api-layout/edits', { revision: 2, edits: [edit('b', 'Second')] }),
    ).toMatchObject({ status: 200, body: { revision: 3 } })
    expect((await ada.call('GET', '/layouts/api-layout')).body.layout.name).toBe('Second')
  })

  test.each<[string, number, unknown, string]>([
    ['no JSON at all', 400, '{"revision": 1, ', 'not readable JSON'],
    [
      'a body over 1 MB',
      413,
      JSON.stringify({ revision: 1, edits: [], pad: 'x'.repeat(1_100_000) }),
      'larger than 1 MB',
    ],
    [
      'an edit of no kind',
      422,
      { revision: 1, edits: [{ id: 'x', does: 'edit', edit: { kind: 'explode' } }] },
      'no edit of the kind explode',
    ],
    [
      'an unknown element',
      422,
      {
        revision: 1,
        edits: [
          {
            id: 'x',
            does: 'edit',
            edit: {
              kind: 'insert',
              parent: 'house-header-5',
              index: 0,
              node: { kind: 'element', id: 'n', type: '<script>', props: {}, styles: {} },
            },
          },
        ],
      },
      'no element called <script>',
    ],
    [
      'an unknown property',
      422,
      {
        revision: 1,
        edits: [
          {
            id: 'x',
            does: 'edit',
            edit: { kind: 'setProperty', id: 'house-header-6', property: 'onclick', value: 'x' },
          },
        ],
      },
      'no property called onclick',
    ],
    [
      'a row that does not add up',
      422,
      {
        revision: 1,
        edits: [{ id: 'x', does: 'edit', edit: { kind: 'setSpans', row: 'house-header-4', spans: [4, 2, 2] } }],
      },
      'add up to 8',
    ],
    [
      'a colour that is CSS',
      422,
      {
        revision: 1,
        edits: [
          {
            id: 'x',
            does: 'edit',
            edit: {
              kind: 'setStyle',
              id: 'house-header-4',
              property: 'background',
              step: 'wide',
              value: 'red}</style><script>',
            },
          },
        ],
      },
      'a hex code',
    ],
    [
      'a link with script',
      422,
      {
        revision: 1,
        edits: [
          {
            id: 'x',
            does: 'edit',
            edit: {
              kind: 'insert',
              parent: 'house-header-5',
              index: 0,
              node: { kind: 'element', id: 'n', type: 'button', props: { link: 'javascript:alert(1)' }, styles: {} },
            },
          },
        ],
      },
      'a link begins with',
    ],
    [
      'the prototype',
      422,
      '{"revision":1,"edits":[{"id":"x","does":"edit","edit":{"kind":"setProperty","id":"house-header-6","property":"__proto__","value":"x"}}]}',
      'not a property',
    ],
  ])('%s is refused and nothing is lost', async (_, status, body, sentence) => {
    const before = (await ada.call('GET', '/layouts/house-header')).body
    const answer = await ada.call('POST', '/layouts/house-header/edits', body)
    expect(answer.status).toBe(status)
    expect(answer.body.problem.sentence).toContain(sentence)
    expect((await ada.call('GET', '/layouts/house-header')).body).toEqual(before)
  })

  test('nesting too deep is refused', async () => {
    const row = (depth: number): object => ({
      kind: 'row',
      id: `deep${depth}`,
      props: {},
      styles: {},
      children: [
        {
          kind: 'column',
          id: `deepc${depth}`,
          span: 12,
          props: {},
          styles: {},
          children: depth ? [row(depth - 1)] : [],
        },
      ],
    })
    const answer = await ada.call('POST', '/layouts/house-header/edits', {
      revision: 1,
      edits: [{ id: 'x', does: 'edit', edit: { kind: 'insert', parent: 'house-header', index: 0, node: row(5) } }],
    })
    expect(answer).toMatchObject({ status: 422, body: { problem: { code: 'too-deep' } } })
  })

  test('what does not exist is said to be missing', async () => {
    expect(await ada.call('GET', '/layouts/nowhere')).toMatchObject({
      status: 404,
      body: { problem: { code: 'layout-unknown' } },
    })
    expect(await ada.call('GET', '/entries/nowhere/content')).toMatchObject({ status: 404 })
    expect(await ada.call('GET', '/nothing/here')).toMatchObject({
      status: 404,
      body: { problem: { code: 'address-unknown' } },
    })
    expect(await ada.call('DELETE', '/frames/nowhere?revision=0')).toMatchObject({ status: 404 })
    expect(await ada.call('DELETE', '/frames/site')).toMatchObject({ status: 422 })
  })
})

describe('frames', () => {
  test('are kept, refused when stale with the frame as it stands, removed and put back', async () => {
    const made = frame('api-frame', [{ kind: 'page', page: 'entry:visit' }], { footer: { kind: 'empty' } })
    expect(await ada.call('PUT', '/frames/api-frame', { revision: 0, frame: made })).toMatchObject({
      status: 200,
      body: { revision: 1 },
    })
    expect(await ada.call('PUT', '/frames/api-frame', { revision: 0, frame: made })).toMatchObject({
      status: 409,
      body: { current: { revision: 1, frame: { id: 'api-frame' } } },
    })
    expect(await ada.call('PUT', '/frames/other', { revision: 1, frame: made })).toMatchObject({ status: 422 })
    expect(await ada.call('DELETE', '/frames/api-frame?revision=1')).toMatchObject({
      status: 200,
      body: { revision: 2 },
    })
    expect(await ada.call('PUT', '/frames/api-frame', { revision: 1, frame: made })).toMatchObject({
      status: 409,
      body: { current: null },
    })
    expect(await ada.call('PUT', '/frames/api-frame', { revision: 2, frame: made })).toMatchObject({
      status: 200,
      body: { revision: 3 },
    })
  })

  test('markup in a name is stored as text; an unknown target is refused', async () => {
    const named = frame('named', [], {}, { name: '<script>alert(1)</script>' })
    expect((await ada.call('PUT', '/frames/named', { revision: 0, frame: named })).status).toBe(200)
    const bad = { ...named, covers: [{ kind: 'page', page: '"><script>' }] }
    expect(await ada.call('PUT', '/frames/named', { revision: 1, frame: bad })).toMatchObject({
      status: 422,
      body: { problem: { code: 'frame-target' } },
    })
  })
})

describe('release', () => {
  test('visitors see the draft only once it is released', async () => {
    const page = async () => (await fetch(`${server.origin}/visit`)).text()
    const before = await page()
    const { revision } = (await ada.call('GET', '/layouts/house-header')).body
    const edit = { kind: 'setStyle', id: 'house-header-4', property: 'background', step: 'wide', value: '#123456' }
    await ada.call('POST', '/layouts/house-header/edits', { revision, edits: [{ id: 'colour', does: 'edit', edit }] })
    expect(await page()).toBe(before)
    const waiting = (await ada.call('GET', '/releases')).body.waiting
    expect(waiting).toContainEqual({
      ...{ what: 'layout', how: 'changed', id: 'house-header', name: 'House header' },
      also: ['Tower header'],
    })
    expect(await ada.call('POST', '/releases', { note: 'Darker' })).toMatchObject({
      status: 200,
      body: { number: 2, note: 'Darker' },
    })
    expect(await page()).toContain('#123456')
    expect(await ada.call('POST', '/releases', { note: '' })).toMatchObject({
      status: 409,
      body: { problem: { code: 'nothing-to-release' } },
    })
  })
})

test('the draft, the release and the sign-in outlive a restart', async () => {
  const before = (await ada.call('GET', '/design')).body
  await server.restart()
  expect((await ada.call('GET', '/design')).body).toEqual(before)
  expect(await (await fetch(`${server.origin}/visit`)).text()).toContain('#123456')
})

test('the studio itself has a content policy with a nonce and no inline script without it', async () => {
  const answer = await fetch(`${server.origin}/studio`)
  const policy = answer.headers.get('content-security-policy')!
  expect(policy).toMatch(/script-src 'self' 'nonce-[^']+' 'strict-dynamic'/)
  expect(policy).toContain("frame-ancestors 'none'")
  for (const tag of (await answer.text()).match(/<script[^>]*>/g)!) expect(tag).toContain('nonce=')
})
