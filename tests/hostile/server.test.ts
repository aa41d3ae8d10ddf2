import { spawn } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { connect } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import Sqlite from 'better-sqlite3'
import fc from 'fast-check'
import { makeDemo } from '#demo/index'
import type { LogRecord } from '#core/edits'
import { applyEdit, type Edit } from '#core/layouts'
import type { Layout } from '#core/tree'
import { Client } from '../api/client'
import { type TestServer, freePort, launch, startServer } from '../server'
import { spoiltOf } from './mutate'
import { madeOf } from '../fixtures'
import { runs } from '../runs'

/** The built server under hostile hands: requests of every wrong shape, odd HTTP, spoilt rows, and being killed. */

const FILE = 'outer-frame.sqlite'
const { site, design } = makeDemo()
const folders: string[] = []
const folder = (): string => {
  const made = mkdtempSync(join(tmpdir(), 'outer-frame-hostile-'))
  folders.push(made)
  return made
}
afterAll(() => folders.forEach((f) => rmSync(f, { recursive: true, force: true })))

/** Sends bytes as they are and gives the first line of what comes back. */
const raw = (port: number, text: string): Promise<string> =>
  new Promise((done) => {
    const socket = connect(port, '127.0.0.1', () => socket.write(text))
    let said = ''
    socket.on('data', (chunk) => {
      said += String(chunk)
      socket.end()
    })
    socket.on('error', () => done('error'))
    socket.on('close', () => done(said.split('\r\n')[0] ?? ''))
    socket.setTimeout(5000, () => socket.destroy())
  })
const get = (port: number, path: string, headers = '') =>
  raw(port, `GET ${path} HTTP/1.1\r\nHost: localhost\r\n${headers}Connection: close\r\n\r\n`)

describe('requests', () => {
  let server: TestServer
  let ada: Client
  beforeAll(async () => {
    server = await startServer()
    ada = await new Client(server).open()
    expect((await ada.signIn('ada')).status).toBe(200)
  })
  afterAll(() => server.stop())

  const layout = madeOf(design, 'talk-page')
  const edits = {
    revision: 1,
    edits: [
      { id: 'one', does: 'edit', edit: { kind: 'insert', parent: 'talk-page', index: 0, node: layout.children[0] } },
      { id: 'two', does: 'edit', edit: { kind: 'batch', label: 'x', edits: [{ kind: 'remove', id: 'talk-page-1' }] } },
    ],
  }
  const parcel = {
    kind: 'outer-frame-parcel',
    format: 1,
    from: 'x',
    made: 'y',
    layouts: [layout],
    frames: [],
    pieces: [],
    house: null,
  }
  const BODIES: [string, string, unknown][] = [
    ['POST', '/session', { mail: 'x@example.org', password: 'no' }],
    ['PUT', '/password', { current: 'x', next: 'y' }],
    ['POST', '/layouts', { id: 'odd', name: 'Odd', region: 'body' }],
    ['POST', '/layouts/talk-page/edits', edits],
    ['PUT', '/frames/odd', { revision: 0, frame: { ...design.frames[0], id: 'odd' } }],
    ['PUT', '/entries/visit', { revision: 1, entry: site.entries.find((e) => e.id === 'visit') }],
    ['PUT', '/home', { home: { kind: 'entry', entry: 'welcome' } }],
    ['POST', '/parcel/preview', { parcel, choices: { 'menu main': { do: 'drop' } }, leaveOut: [] }],
    ['POST', '/parcel', { parcel, choices: {}, leaveOut: ['layout talk-page'] }],
    ['POST', '/releases/1/bring-back', { what: { kind: 'layout', id: 'talk-page' } }],
    ['POST', '/releases', { note: 'x' }],
  ]

  test.each(BODIES)(
    '%s %s: a body of any wrong shape is answered with a reason, and never by an error of ours',
    async (method, path, body) => {
      await fc.assert(
        fc.asyncProperty(spoiltOf([body]), async (spoilt) => {
          const answer = await ada.call(method, path, spoilt)
          expect([answer.status, answer.body.problem?.code]).not.toEqual([500, expect.anything()])
          if (answer.status >= 400) expect(answer.body.problem.sentence).toMatch(/\.$/)
        }),
        { numRuns: runs(40) },
      )
      for (const text of [
        '',
        '{',
        'null',
        '[]',
        '"x"',
        '{}',
        '['.repeat(50_000),
        `${'{"a":'.repeat(20_000)}1${'}'.repeat(20_000)}`,
      ]) {
        const answer = await ada.call(method, path, text)
        expect([text.slice(0, 9), answer.status < 500]).toEqual([text.slice(0, 9), true])
      }
      expect(server.said()).not.toContain('request-failed')
      expect((await fetch(`${server.origin}/visit`)).status).toBe(200)
      expect((await ada.call('GET', '/design')).status).toBe(200)
    },
    120_000,
  )

  test.each([
    ['/api/layouts/%ff', 404],
    ['/api/layouts/%', 400],
    ['/api/releases/1e9/bring-back', 404],
    ['/api/nothing', 404],
    ['/api/why?address=//[', 200],
    ['/api/why?address=/&address=/visit&constructor=1', 200],
    ['/api/why', 422],
  ])('GET %s gives %i', async (path, status) => {
    const answer = await ada.fetch(path)
    expect([404, 400, 405, status]).toContain(answer.status)
    expect(answer.status).toBeLessThan(500)
  })

  test.each([
    '//[',
    '///',
    '//visit',
    '//nope/visit',
    '/visit//',
    '/%ff',
    '/%',
    '/%2e%2e/visit',
    '/visit%2f',
    '/visit%00',
    '*',
    'http://',
    'http://x',
    '\\',
    '/\\visit',
    `/${'a'.repeat(9000)}`,
    '/'.repeat(12_000),
  ])('GET %s is answered, and never by an error of ours', async (path) => {
    expect(await get(server.port, path)).toMatch(/^HTTP\/1\.1 (200|308|400|404|431) /)
  })

  test('a whole address is read as its path; gzip is sent only to whoever takes it', async () => {
    expect(await get(server.port, 'http://localhost/visit')).toContain(' 200 ')
    const packed = async (accept: string) =>
      (await fetch(`${server.origin}/exhibits`, { headers: { 'accept-encoding': accept } })).headers.get(
        'content-encoding',
      )
    expect(await packed('gzip')).toBe('gzip')
    expect(await packed('br;q=0, gzip;q=0.2')).toBe('gzip')
    // The form that takes longer to make is sent once it is made.
    for (let i = 0; i < 100 && (await packed('br')) !== 'br'; i++) await new Promise((done) => setTimeout(done, 50))
    expect(await packed('br;q=1, gzip;q=0.2')).toBe('br')
    for (const accept of ['gzip;q=0', 'identity', 'xgzip', '*;q=0, identity']) expect(await packed(accept)).toBeNull()
  })

  test('slow, broken and half requests keep nobody waiting', async () => {
    const sockets = Array.from({ length: 60 }, (_, i) => {
      const socket = connect(server.port, '127.0.0.1')
      socket.on('error', () => {})
      socket.write(
        i % 2
          ? 'GET /visit HTTP/1.1\r\nHost: x\r\nX-Slow: '
          : `POST /api/session HTTP/1.1\r\nHost: x\r\nContent-Length: 900000\r\n\r\n{"mail":`,
      )
      return socket
    })
    for (const odd of [
      '\0\0\0',
      'GET\r\n\r\n',
      'GET /visit HTTP/9.9\r\n\r\n',
      'BREW / HTTP/1.1\r\nHost: x\r\n\r\n',
      'GET /visit HTTP/1.1\r\nHost: x\r\nContent-Length: -1\r\n\r\n',
    ])
      expect(await raw(server.port, odd)).toMatch(/^$|error|HTTP\/1\.1 (400|404|405)/)
    const answers = await Promise.all(Array.from({ length: 40 }, () => fetch(`${server.origin}/exhibits`)))
    expect(answers.every((a) => a.status === 200)).toBe(true)
    for (const socket of sockets) socket.destroy()
    expect(server.said()).not.toMatch(/page-failed|request-failed|unhandled/)
  })

  test('guesses made side by side: no more are heard than one after the other', async () => {
    const guesses = await Promise.all(
      Array.from({ length: 60 }, async () => {
        const guesser = new Client(server)
        guesser.setToken(ada.csrf)
        for (const [name, value] of ada.allCookies()) if (name !== '__Host-outer-frame') guesser.setCookie(name, value)
        return (await guesser.signIn('orla', 'not-her-password')).status
      }),
    )
    expect(guesses.filter((s) => s === 401).length).toBeLessThanOrEqual(8)
    expect(guesses.every((s) => [401, 429, 503].includes(s))).toBe(true)
  }, 60_000)

  test('it is heard on this machine alone unless told otherwise', () => {
    expect(server.said()).toContain('"host":"127.0.0.1"')
  })
})

describe('sessions', () => {
  test('a copied cookie is worth nothing after signing out, a new password, or the word of the owner', async () => {
    const server = await startServer()
    try {
      const [ada, wim, orla] = await Promise.all(['ada', 'wim', 'orla'].map(() => new Client(server).open()))
      for (const [client, who] of [
        [ada!, 'ada'],
        [wim!, 'wim'],
        [orla!, 'orla'],
      ] as const)
        await client.signIn(who)
      const copyOf = (client: Client) => {
        const thief = new Client(server)
        for (const [name, value] of client.allCookies()) thief.setCookie(name, value)
        return thief
      }
      const who = async (client: Client) => (await client.call('GET', '/session')).body.user
      const [a, w] = [copyOf(ada!), copyOf(wim!)]
      expect(await who(a)).not.toBeNull()
      await ada!.call('DELETE', '/session')
      expect(await who(a)).toBeNull()
      expect((await wim!.call('PUT', '/password', { current: 'wrong', next: 'a-much-longer-word' })).status).toBe(403)
      expect(await who(w)).not.toBeNull()
      const other = await new Client(server).open()
      await other.signIn('wim')
      expect(
        (await wim!.call('PUT', '/password', { current: 'wind-me-on-sunday', next: 'a-much-longer-word' })).status,
      ).toBe(200)
      expect(await who(wim!)).not.toBeNull()
      expect(await who(other)).toBeNull()
      expect((await other.signIn('wim')).status).toBe(401)
      expect((await wim!.call('DELETE', '/sessions', { of: 'everybody' })).status).toBe(403)
      expect((await orla!.call('DELETE', '/sessions', { of: 'everybody' })).status).toBe(200)
      expect(await who(w)).toBeNull()
      expect(await who(orla!)).toBeNull()
    } finally {
      await server.stop()
    }
  }, 60_000)

  test('the first request after a start knows who is signed in, also on a published page; weak hashes are made anew', async () => {
    const server = await startServer()
    try {
      const mina = await new Client(server).open()
      await mina.signIn('mina')
      const db = new Sqlite(join(server.data, FILE))
      const latest = db.prepare('select design from releases order by number desc limit 1').pluck().get() as string
      const released = JSON.parse(latest) as { frames: object[] }
      const members = {
        id: 'members',
        name: '',
        on: true,
        covers: [{ kind: 'page', page: 'entry:visit' }],
        except: [],
        onlyWhen: [{ kind: 'signed-in', yes: true }],
        regions: {
          header: { kind: 'empty' },
          intro: { kind: 'pass' },
          body: { kind: 'pass' },
          footer: { kind: 'pass' },
        },
        outranks: true,
        order: 0,
        offeredTo: [],
      }
      db.prepare(
        "insert into releases (format, design, note, changes, at, \"by\") values (1, ?, '', '[]', 1, 'test')",
      ).run(JSON.stringify({ ...released, frames: [...released.frames, members] }))
      // As an earlier version made it: N = 2^14.
      db.prepare("update users set password_hash = ? where mail like 'ada@%'").run(
        '$scrypt$n=16384,r=8,p=1$c2FsdHNhbHRzYWx0c2FsdA$' + (await weakHash('wind-me-on-sunday', 'saltsaltsaltsalt')),
      )
      db.close()
      await server.restart()
      expect(await (await mina.fetch('/visit')).text()).not.toContain('<header')
      expect(await (await fetch(`${server.origin}/visit`)).text()).toContain('<header')
      const ada = await new Client(server).open()
      expect((await ada.signIn('ada')).status).toBe(200)
      const after = new Sqlite(join(server.data, FILE), { readonly: true })
      expect(after.prepare("select password_hash from users where mail like 'ada@%'").pluck().get()).toContain(
        'n=131072',
      )
      after.close()
    } finally {
      await server.stop()
    }
  }, 60_000)
})

async function weakHash(password: string, salt: string): Promise<string> {
  const { scryptSync } = await import('node:crypto')
  return scryptSync(password, Buffer.from(salt), 64, { N: 16384, r: 8, p: 1 }).toString('base64').replace(/=+$/, '')
}

describe('what is stored', () => {
  test('a spoilt row of every table stops neither the start nor any other page, and is told', async () => {
    const server = await startServer()
    const db = new Sqlite(join(server.data, FILE))
    const spoil = (table: string, id: string, text: string) =>
      db.prepare(`update ${table} set doc = ? where id = ?`).run(text, id)
    const entry = (id: string) =>
      JSON.parse(db.prepare('select doc from entries where id = ?').pluck().get(id) as string) as object
    try {
      const wrong: unknown[] = [
        { type: 'doc', content: 'x' },
        5,
        [null],
        '5',
        { type: 'doc', content: [{ type: 'paragraph', content: [{ type: 'text', text: 'x', marks: 5 }] }] },
      ]
      const ids = site.entries
        .filter((e) => e.type === 'story')
        .slice(0, wrong.length)
        .map((e) => e.id)
      for (const [i, id] of ids.entries()) spoil('entries', id, JSON.stringify({ ...entry(id), content: wrong[i] }))
      spoil('entries', 'contact', '{"id":')
      spoil('entries', 'access', JSON.stringify({ ...entry('access'), parent: 'access' }))
      spoil('terms', 'night-room', '[]')
      spoil('people', 'ines-calloway', '{"id":"somebody-else"}')
      spoil('menus', 'rooms', '{"id":"rooms","name":7}')
      spoil('frames', 'talks', '{"covers":[{"kind":["every"]}]}')
      spoil('layouts', 'house-footer', '{"kind":"layout"}')
      db.prepare('update house set doc = ?').run('{}')
      const latest = JSON.parse(
        db.prepare('select design from releases order by number desc limit 1').pluck().get() as string,
      ) as { layouts: [id: string, name: string][]; frames: [id: string, name: string][] }
      const spoilPart = (list: [string, string][], id: string, doc: string) =>
        db.prepare("update parts set doc = ?, mark = '' where name = ?").run(doc, list.find((ref) => ref[0] === id)![1])
      spoilPart(latest.layouts, 'talk-page', '{"kind":"layout","id":"talk-page","children":[{"kind":"row"}]}')
      spoilPart(latest.frames, 'kiosk', '{"id":"kiosk","covers":[{"kind":["every"]}]}')
      latest.layouts.push(['nowhere', 'layout of no text'])
      db.prepare(
        "insert into releases (format, design, note, changes, at, \"by\") values (1, ?, '', 'not json', 1, 'test')",
      ).run(JSON.stringify(latest))
      db.close()
      await server.restart()
      expect(server.said()).toContain('document-spoilt')
      for (const path of [
        '/',
        '/visit',
        '/exhibits',
        '/exhibits/fenwick-turret-clock',
        '/talks',
        `/talks/${site.entries.find((e) => e.type === 'talk')!.slug}`,
        '/stories',
        '/search?q=clock',
        '/rooms/tower-room',
      ])
        expect([path, (await fetch(server.origin + path)).status]).toEqual([path, 200])
      expect((await fetch(`${server.origin}/contact`)).status).toBe(404)
      const ada = await new Client(server).open()
      await ada.signIn('ada')
      const found = (await ada.call('GET', '/design')).body as unknown as { spoilt: { what: string; id: string }[] }
      expect(found.spoilt.map((s) => `${s.what} ${s.id}`).sort()).toEqual([
        'frame talks',
        'house house',
        'layout house-footer',
      ])
      const told = (await ada.call('GET', '/site')).body as unknown as { spoilt: { id: string }[] }
      expect(told.spoilt.map((s) => s.id)).toEqual(expect.arrayContaining([...ids, 'contact', 'night-room', 'rooms']))
      expect((await ada.call('GET', '/releases')).status).toBe(200)
    } finally {
      await server.stop()
    }
  }, 60_000)

  test('spoilt secrets and a damaged database are named with what to do, and salvage keeps what can be read', async () => {
    const data = folder()
    const server = await startServer({ data })
    await server.stop()
    const secrets = readFileSync(join(data, 'secrets.json'), 'utf8')
    writeFileSync(join(data, 'secrets.json'), secrets.slice(0, 20))
    const start = async () => {
      const run = launch(await freePort(), data, 'full')
      expect(await run.ready).toBe(false)
      expect(run.said()).not.toContain('    at ')
      return run.said()
    }
    expect(await start()).toMatch(/^The secrets in .* cannot be read .* Restore the file from a backup, or remove it/)
    writeFileSync(join(data, 'secrets.json'), secrets)
    const file = join(data, FILE)
    const bytes = readFileSync(file)
    bytes.fill(0x61, 40_960, 90_112)
    writeFileSync(file, bytes)
    const started = launch(await freePort(), data, 'full')
    const up = await started.ready
    started.child.kill('SIGKILL')
    if (!up) expect(started.said()).toMatch(/is damaged .* outer-frame salvage NEW/)
    const saved = join(folder(), 'saved')
    const out = await new Promise<string>((done) => {
      const run = spawn(process.execPath, ['scripts/outer-frame.mjs', 'salvage', saved, '--data', data])
      let said = ''
      for (const stream of [run.stdout, run.stderr]) stream.on('data', (chunk) => (said += String(chunk)))
      run.on('close', () => done(said))
    })
    expect(out).toContain('What could be read stands in')
    const again = await startServer({ data: saved })
    expect((await fetch(`${again.origin}/visit`)).status).toBeLessThan(500)
    await again.stop()
  }, 90_000)
})

describe('being killed', () => {
  const wait = (ms: number) => new Promise((done) => setTimeout(done, ms))

  test('a first start that is killed at any moment begins again, and gives the whole museum', async () => {
    for (const ms of [120, 200, 280, 360, 440, 520, 600, 700]) {
      const data = folder()
      const run = launch(await freePort(), data, 'full')
      await wait(ms)
      run.child.kill('SIGKILL')
      const server = await startServer({ data })
      const ada = await new Client(server).open()
      expect([ms, (await ada.signIn('ada')).status]).toEqual([ms, 200])
      expect((await fetch(`${server.origin}/exhibits/fenwick-turret-clock`)).status).toBe(200)
      await server.stop()
    }
  }, 400_000)

  test('killed while edits are stored: what was answered is there, and the log leads to the document', async () => {
    const data = folder()
    let server = await startServer({ data })
    let known = 0
    for (let round = 0; round < 5; round++) {
      const ada = await new Client(server).open()
      await ada.signIn('ada')
      const { revision } = (await ada.call('GET', '/layouts/talk-page')).body
      let at = revision
      const storing = (async () => {
        for (;;) {
          const edit = { kind: 'rename', id: 'talk-page', name: `Talk ${round} ${at}` }
          const answer = await ada.call('POST', '/layouts/talk-page/edits', {
            revision: at,
            edits: [{ id: `r${round}-${at}`, does: 'edit', edit }],
          })
          if (answer.status !== 200) return
          at = answer.body.revision
          known = Math.max(known, at)
        }
      })().catch(() => {})
      await wait(150 + 70 * round)
      process.kill(server.pid(), 'SIGKILL')
      await storing
      server = await startServer({ data })
      const back = await new Client(server).open()
      await back.signIn('ada')
      const stored = (await back.call('GET', '/layouts/talk-page')).body as unknown as {
        layout: Layout
        revision: number
        log: LogRecord<Edit>[]
      }
      expect(stored.revision).toBeGreaterThanOrEqual(known)
      let replayed = madeOf(design, 'talk-page')
      for (const { edit } of stored.log) {
        const result = applyEdit(replayed, edit)
        if (result.ok) replayed = result.document
      }
      expect(replayed).toEqual(stored.layout)
    }
    await server.stop()
  }, 120_000)

  test('it goes on without whoever read its log', async () => {
    const port = await freePort()
    const data = folder()
    const env = { ...process.env, PORT: String(port), OUTER_FRAME_DATA: data, OUTER_FRAME_DEMO: 'full' }
    const server = spawn(process.execPath, [join(process.cwd(), '.output', 'server', 'index.mjs')], { env })
    await new Promise<void>((done) =>
      server.stdout.on('data', (chunk) => String(chunk).includes('listening') && done()),
    )
    server.stdout.destroy()
    server.stderr.destroy()
    const origin = `http://localhost:${port}`
    const ada = await new Client({ origin } as TestServer).open()
    for (let i = 0; i < 5; i++) {
      await ada.signIn('ada', 'wrong')
      await ada.signIn('ada')
      expect((await fetch(`${origin}/visit`)).status).toBe(200)
    }
    expect(server.exitCode).toBeNull()
    server.kill()
  }, 60_000)
})
