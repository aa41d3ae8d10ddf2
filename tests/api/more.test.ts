import { execFile } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import Sqlite from 'better-sqlite3'
import type { Parcel } from '#core/formats'
import { Catalogue } from '#core/catalogue'
import type { Site } from '#core/model'
import type { SiteStyle } from '#core/styles'
import type { Layout } from '#core/tree'
import type { WhyAnswer } from '#shared/api/types'
import { makeDemo } from '#demo/index'
import { type TestServer, startServer } from '../server'
import { frame } from '../fixtures'
import { Client } from './client'

const museum = makeDemo()

let server: TestServer
let ada: Client
let wim: Client
beforeAll(async () => {
  server = await startServer()
  ada = await new Client(server).open()
  wim = await new Client(server).open()
  await ada.signIn('ada')
  await wim.signIn('wim')
}, 40_000)
afterAll(() => server.stop())

const PHONE = {
  'user-agent':
    'Mozilla/5.0 (iPhone; CPU iPhone OS 18_1 like Mac OS X) AppleWebKit/605.1.15 (KHTML, like Gecko) Version/18.1 Mobile/15E148 Safari/604.1',
}

describe('why, for programs', () => {
  const why = async (query: string) =>
    (await wim.call('GET', `/why?${query}`)) as unknown as { status: number; body: WhyAnswer }

  test('tells who decided and why the others did not', async () => {
    const { status, body } = await why('address=/exhibits/fenwick-turret-clock')
    expect(status).toBe(200)
    expect(body).toMatchObject({
      design: 'released',
      page: { key: 'entry:fenwick-turret-clock' },
      regions: { header: { says: 'Tower header', by: { frame: 'tower' } } },
    })
    expect((await why('address=/visit%3Fkiosk')).body.regions.header.says).toBe('left empty')
    expect((await why('address=/nowhere')).body.page.key).toBe('not-found')
  })

  test('answers for any visitor, at any time, and under the draft', async () => {
    const members = frame(
      'members',
      [{ kind: 'every' }],
      { footer: { kind: 'empty' } },
      {
        onlyWhen: [
          { kind: 'role', roles: ['member'] },
          { kind: 'device', devices: ['phone'] },
          { kind: 'date', from: '2030-01-01', until: null, weekdays: [] },
        ],
      },
    )
    expect((await ada.call('PUT', '/frames/members', { revision: 0, frame: members })).body).toMatchObject({
      revision: 1,
    })
    const asked = 'address=/visit&role=member&device=phone&at=2030-06-01'
    expect((await why(asked)).body.regions.footer.says).toBe('House footer')
    expect((await why(`${asked}&draft=yes`)).body.regions.footer).toMatchObject({
      says: 'left empty',
      by: { frame: 'members' },
    })
    expect((await why('address=/visit&role=member&device=phone&at=2029-06-01&draft=yes')).body.near).toContainEqual(
      expect.objectContaining({ frame: 'members', why: 'holds only from 2030-01-01' }),
    )
    await ada.call('DELETE', '/frames/members?revision=1')
  })

  test.each([
    ['', 422],
    ['address=/visit&role=king', 422],
    ['address=/visit&device=fridge', 422],
    ['address=/visit&at=soon', 422],
  ])('%j is refused', async (query, status) => {
    expect((await why(query)).status).toBe(status)
  })

  test('only for those who are signed in', async () => {
    expect((await (await new Client(server).open()).call('GET', '/why?address=/')).status).toBe(401)
  })
})

describe('what depends on who asks', () => {
  beforeAll(async () => {
    const put = (f: ReturnType<typeof frame>) => ada.call('PUT', `/frames/${f.id}`, { revision: 0, frame: f })
    await put(
      frame(
        'phones',
        [{ kind: 'page', page: 'entry:visit' }],
        { footer: { kind: 'empty' } },
        { onlyWhen: [{ kind: 'device', devices: ['phone'] }] },
      ),
    )
    await put(
      frame(
        'members-only',
        [{ kind: 'page', page: 'entry:about' }],
        { header: { kind: 'empty' } },
        { onlyWhen: [{ kind: 'role', roles: ['member'] }] },
      ),
    )
    expect((await ada.call('POST', '/releases', { note: '' })).status).toBe(200)
  })

  test('the device: told by the agent or the hint, and said to caches', async () => {
    const desktop = await fetch(`${server.origin}/visit`)
    const phone = await fetch(`${server.origin}/visit`, { headers: PHONE })
    const hint = await fetch(`${server.origin}/visit`, { headers: { 'sec-ch-ua-mobile': '?1' } })
    expect(await desktop.text()).toContain('<footer>')
    expect(await phone.text()).not.toContain('<footer>')
    expect(await hint.text()).not.toContain('<footer>')
    for (const answer of [desktop, phone]) {
      expect(answer.headers.get('vary')).toBe(
        'accept-encoding, sec-ch-ua-mobile, sec-ch-ua-platform, user-agent, cookie',
      )
      expect(answer.headers.get('accept-ch')).toBe('Sec-CH-UA-Mobile, Sec-CH-UA-Platform')
    }
    const tag = desktop.headers.get('etag')!
    expect((await fetch(`${server.origin}/visit`, { headers: { ...PHONE, 'if-none-match': tag } })).status).toBe(200)
  })

  test('the role: a member sees another page, and no cache may share either', async () => {
    const mina = await new Client(server).open()
    await mina.signIn('mina')
    const hers = await mina.fetch('/about')
    const anybodys = await fetch(`${server.origin}/about`)
    expect(await hers.text()).not.toContain('<header>')
    expect(await anybodys.text()).toContain('<header>')
    for (const answer of [hers, anybodys]) {
      expect(answer.headers.get('cache-control')).toBe('private, no-cache')
      expect(answer.headers.get('vary')).toContain('cookie')
    }
    expect((await fetch(`${server.origin}/about`, { headers: { cookie: 'outer-frame=broken' } })).status).toBe(200)
  })

  test('pages that depend on nothing of whoever asks stay shared', async () => {
    const answer = await fetch(`${server.origin}/contact`)
    expect(answer.headers.get('cache-control')).toBe('public, max-age=0, must-revalidate')
    // By the number that its header says of the basket alone.
    expect(answer.headers.get('vary')).toBe('accept-encoding, cookie')
  })
})

describe('entries and home', () => {
  test('a writer stores an entry, visitors see it at once; a stale one is given back as it stands', async () => {
    const { body } = await wim.call('GET', '/entries/contact')
    const { entry, revision } = body as unknown as { entry: { title: string }; revision: number }
    expect(
      await wim.call('PUT', '/entries/contact', { entry: { ...entry, title: 'Write & ring <us>' }, revision }),
    ).toMatchObject({ status: 200, body: { revision: revision + 1 } })
    expect(await (await fetch(`${server.origin}/contact`)).text()).toContain('Write &amp; ring &lt;us&gt;</h1>')
    expect(await wim.call('PUT', '/entries/contact', { entry, revision })).toMatchObject({
      status: 409,
      body: { current: { entry: { title: 'Write & ring <us>' } } },
    })
    expect(
      await wim.call('PUT', '/entries/contact', { entry: { ...entry, slug: '../x' }, revision: revision + 1 }),
    ).toMatchObject({ status: 422 })
    expect(await wim.call('PUT', '/entries/visit', { entry, revision })).toMatchObject({ status: 422 })
    expect(await wim.call('GET', '/entries/nowhere')).toMatchObject({ status: 404 })
  })

  test('home is for designers to set', async () => {
    expect((await wim.call('PUT', '/home', { home: { kind: 'archive', type: 'exhibit' } })).status).toBe(403)
    expect((await ada.call('PUT', '/home', { home: { kind: 'archive', type: 'exhibit' } })).status).toBe(200)
    expect((await fetch(`${server.origin}/exhibits`, { redirect: 'manual' })).headers.get('location')).toBe('/')
    expect((await ada.call('PUT', '/home', { home: { kind: 'planet' } })).status).toBe(422)
    expect((await ada.call('PUT', '/home', { home: { kind: 'entry', entry: 'welcome' } })).status).toBe(200)
  })
})

describe('parcels', () => {
  test('are for designers, say first what they would do, and are refused when they cannot be read', async () => {
    expect((await wim.call('GET', '/parcel')).status).toBe(403)
    const answer = await ada.call('GET', '/parcel')
    expect(answer.headers.get('content-disposition')).toBe('attachment; filename="quillmere-clock-museum.parcel.json"')
    const parcel = answer.body as unknown as { layouts: { name: string }[] }
    expect((await ada.call('POST', '/parcel/preview', { parcel })).body).toMatchObject({ unfit: [] })
    const before = (await ada.call('GET', '/design')).body
    parcel.layouts[0]!.name = '<img src=x onerror=alert(1)>'
    expect((await ada.call('POST', '/parcel/preview', { parcel })).status).toBe(200)
    expect((await ada.call('GET', '/design')).body).toEqual(before)
    expect(await ada.call('POST', '/parcel', { parcel: { ...parcel, format: 7 } })).toMatchObject({
      status: 422,
      body: { problem: { code: 'parcel-newer' } },
    })
    expect(await ada.call('POST', '/parcel', { parcel: 'luggage' })).toMatchObject({ status: 422 })
    expect(await ada.call('POST', '/parcel', { parcel, choices: { 'type x': { do: 'explode' } } })).toMatchObject({
      status: 422,
    })
    expect(await ada.call('POST', '/parcel', `{"parcel":"${'x'.repeat(1_200_000)}"}`)).toMatchObject({ status: 413 })
    expect((await ada.call('POST', '/parcel', { parcel })).status).toBe(200)
    expect((await ada.call('GET', '/layouts/house-header')).body.layout.name).toBe('<img src=x onerror=alert(1)>')
  })
})

describe('the command', () => {
  const folder = mkdtempSync(join(tmpdir(), 'outer-frame-cli-'))
  afterAll(() => rmSync(folder, { recursive: true, force: true }))

  const run = (...args: string[]): Promise<{ code: number; out: string; err: string }> =>
    new Promise((done) => {
      execFile(
        process.execPath,
        ['scripts/outer-frame.mjs', ...args, '--data', server.data],
        { maxBuffer: 2e7 },
        (error, out, err) => {
          done({ code: (error?.code as number | undefined) ?? 0, out, err })
        },
      )
    })

  test('why: in words and as JSON, for any visitor, under the draft', async () => {
    const { out, code } = await run('why', '/exhibits/fenwick-turret-clock')
    expect(code).toBe(0)
    expect(out).toContain('header  Tower header, set by Exhibits in Tower Room, except The Night Regulator')
    expect(out).toContain('not Every page: Every page is broader than Exhibits in Tower Room')
    expect(out).toContain('asked by a visitor, not signed in, on a desktop')
    expect((await run('why', '/visit', '--role', 'member')).out).toContain('asked by a member, signed in')
    const phone = JSON.parse((await run('why', '/visit', '--device', 'phone', '--json')).out) as WhyAnswer
    expect(phone.regions.footer.shown.kind).toBe('empty')
    expect((JSON.parse((await run('why', '/visit', '--draft', '--json')).out) as WhyAnswer).design).toBe('draft')
  })

  test('map: the whole table as CSV and as JSON', async () => {
    const csv = (await run('map', '--csv')).out.trim().split(/\r?\n/)
    expect(csv[0]).toMatch(/^address,page,key,kind,header,header layout,header by,header frame,intro,/)
    expect(csv).toHaveLength(new Catalogue(museum.site).pages.length + 1)
    const rows = JSON.parse((await run('map', '--json')).out) as Record<string, string>[]
    expect(rows.find((r) => r.address === '/exhibits/the-night-regulator')).toMatchObject({
      body: 'Exhibit page',
      'body layout': 'exhibit-page',
      'body by': 'Exhibits',
      'body frame': 'exhibits',
    })
    const kiosk = JSON.parse((await run('map', '--parameters', '?kiosk')).out) as Record<string, string>[]
    expect(kiosk.every((r) => r['header frame'] === 'kiosk')).toBe(true)
  })

  test('export-parcel and import-parcel: previewed, truncated, huge, of a newer format', async () => {
    const file = join(folder, 'site.parcel.json')
    expect((await run('export-parcel', file)).out).toContain(
      `${museum.design.layouts.length} layouts, ${museum.design.frames.length + 2} frames`,
    )
    expect((await run('import-parcel', file, '--preview')).out.trim()).toBe('Nothing was changed.')
    const text = readFileSync(file, 'utf8')
    const refused = async (content: string) => {
      writeFileSync(file, content)
      const { code, err } = await run('import-parcel', file)
      expect(code).toBe(1)
      return err
    }
    expect(await refused(text.slice(0, 4000))).toContain('it may have been cut off')
    expect(await refused(text.replace('"format": 1', '"format": 3'))).toContain('This parcel has format 3')
    expect(await refused(`"${'x'.repeat(60_000_001)}"`)).toContain('larger than 60 MB')
    writeFileSync(file, text.replace('"name": "Slim footer"', '"name": "Slimmer footer"'))
    expect((await run('import-parcel', file, '--preview')).out).toContain('replaces layout   Slimmer footer')
    expect((await run('import-parcel', file)).out).toContain('1 thing was taken into the draft')
    expect((await ada.call('GET', '/layouts/slim-footer')).body.layout.name).toBe('Slimmer footer')
  })

  test('chosen layouts take pictures, looks and colours along to a site that has none of them', async () => {
    const file = join(folder, 'some.parcel.json')
    // A band that shows a picture, with a look of its own.
    const { site } = (await ada.call('GET', '/site')).body as unknown as { site: Site }
    const picture = site.pictures.find((p) => p.alt)!
    const { revision } = (await ada.call('GET', '/layouts/visit-band')).body
    const { layout } = (await ada.call('GET', '/layouts/visit-band')).body as unknown as { layout: Layout }
    const row = layout.children[0]!.id
    const edits = [
      { kind: 'setProperty', id: row, property: 'backgroundPicture', value: picture.id },
      { kind: 'setLook', id: row, look: 'banded' },
    ].map((edit, i) => ({ id: `carried-${i}`, does: 'edit', edit }))
    const house = (await ada.call('GET', '/house')).body as unknown as { document: SiteStyle; revision: number }
    const item = { id: 'banded', name: 'Banded', for: 'row', styles: { edgeColour: { wide: '@rule' } }, looks: {} }
    const look = { kind: 'insert', at: ['looks'], index: house.document.looks.length, item }
    const told = await ada.call('POST', '/house/edits', {
      revision: house.revision,
      edits: [{ id: 'carried-look', does: 'edit', edit: look }],
    })
    expect(told.status).toBe(200)
    expect((await ada.call('POST', '/layouts/visit-band/edits', { revision, edits })).status).toBe(200)
    expect((await run('export-parcel', file, '--layout', 'visit-band')).out).toContain('1 layout, with all that')
    const parcel = JSON.parse(readFileSync(file, 'utf8')) as Parcel
    expect(parcel.pictures!.map((p) => p.id)).toEqual([picture.id])
    expect(Buffer.from(parcel.pictures![0]!.bytes!, 'base64').length).toBeGreaterThan(100)
    expect(parcel.looks!.map((l) => l.id)).toContain('banded')
    expect(parcel.colours!.map((c) => c.id)).toContain('rule')
    const byApi = await ada.call('GET', '/parcel?layouts=visit-band')
    expect({ ...byApi.body, made: '' }).toEqual({ ...parcel, made: '' })

    const bare = await startServer({ demo: 'bare', data: join(folder, 'bare') })
    await bare.stop()
    const db = new Sqlite(join(bare.data, 'outer-frame.sqlite'))
    db.exec('delete from pictures')
    const there = (...args: string[]): Promise<string> =>
      new Promise((done, failed) => {
        const all = ['scripts/outer-frame.mjs', ...args, '--data', bare.data]
        execFile(process.execPath, all, { maxBuffer: 2e7 }, (error, out, err) =>
          error ? failed(new Error(err)) : done(out),
        )
      })
    expect(await there('import-parcel', file, '--preview')).toMatch(/new +picture .*\n[^]*Nothing was changed/)
    expect(await there('import-parcel', file)).toContain('taken into the draft')
    // Brought once more, all of it is there: the picture too, under the id that it has here.
    const read = (text: string) => db.prepare(text).pluck().all() as string[]
    const [stored] = read("select doc from layouts where id = 'visit-band'")
    const pictures = read('select id from pictures')
    expect(pictures).toHaveLength(1)
    expect(stored).toContain(`"backgroundPicture":"${pictures[0]}"`)
    expect(read('select doc from house')[0]).toContain('"banded"')
    await there('import-parcel', file)
    expect(read('select id from pictures')).toEqual(pictures)
    db.close()
  }, 120_000)

  test('import-parcel: what does not fit is used otherwise, taken out, or kept', async () => {
    const file = join(folder, 'other.parcel.json')
    await run('export-parcel', file)
    const text = readFileSync(file, 'utf8')
      .replace('"menu": "small-print"', '"menu": "theirs"')
      .replace('"Slimmer footer"', '"Slimmest footer"')
    writeFileSync(file, text)
    expect((await run('import-parcel', file, '--preview')).out).toContain('no such  menu     theirs, named by layout')
    expect((await run('import-parcel', file, '--use', 'menu nothing=main')).err).toContain(
      'Nothing in this parcel is “menu nothing”',
    )
    expect((await run('import-parcel', file, '--use', 'menu theirs')).err).toContain('--use is written as')
    expect((await run('import-parcel', file, '--use', 'menu theirs=rooms')).code).toBe(0)
    expect(JSON.stringify((await ada.call('GET', '/design')).body)).not.toContain('"theirs"')
  })

  test('says in a sentence what is wrong', async () => {
    for (const [args, sentence] of [
      [['why'], 'missing required argument'],
      [['why', '/', '/visit'], 'too many arguments'],
      [['why', '/', '--role', 'king'], 'Allowed choices are visitor, member'],
      [['why', '/', '--loud'], "unknown option '--loud'"],
      [['map', '--json', '--csv'], 'cannot be used with option'],
      [['explode'], "unknown command 'explode'"],
      [['export-parcel', join(folder, 'no', 'such', 'site.json')], 'There is no folder'],
      [['export-parcel', join(folder, 'site.parcel.json')], 'Write over it with --force'],
      [['set-password', 'nobody@x'], 'Nobody here has the mail address'],
    ] as const) {
      const { code, err } = await run(...args)
      expect(err).toContain(sentence)
      expect(err).not.toContain('    at ')
      expect(code).toBe(2)
    }
    const refused = await run('why', '/', '--at', '2026-02-30')
    expect(refused).toMatchObject({ code: 1, err: 'A time is written as 2026-03-29T14:00 or 2026-03-29.\n' })
    expect((await run('--help')).out).toMatch(/import-parcel .*Exit codes: 0 done/s)
    for (const command of ['why', 'map', 'import-parcel', 'salvage'])
      expect((await run(command, '--help')).out).toContain(`Usage: outer-frame ${command}`)
  })
})
