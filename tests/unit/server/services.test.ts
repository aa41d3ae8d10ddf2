import { chmodSync, mkdirSync, readFileSync, statSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import Sqlite from 'better-sqlite3'
import { makeDemo } from '#demo/index'
import type { Circumstance } from '#core/frames'
import type { Pending } from '#core/layouts'
import { Catalogue } from '#core/site'
import { readSite } from '../../../server/database/content'
import { StartError, openDatabase, prepareFolder } from '../../../server/database/open'
import { readLatestRelease } from '../../../server/database/releases'
import { Content } from '../../../server/services/content'
import { Draft } from '../../../server/services/draft'
import { Published } from '../../../server/services/published'
import { Releases, changesBetween } from '../../../server/services/release'
import { searchEntries } from '../../../server/services/search'
import { ensureSecrets } from '../../../server/services/secrets'
import { seedDemo } from '../../../server/services/seed'
import { AttemptLimit } from '../../../server/services/sign-in'
import { VISITOR, frame } from '../../fixtures'
import { freshDatabase } from './database'

const hash = async () => 'hashed'
const rename = (id: string, name: string): Pending => ({
  id,
  edit: { kind: 'rename', id: 'house-header', name },
  does: 'edit',
})

describe('over the demo', () => {
  const { db, folder } = freshDatabase()
  const draft = () => new Draft(db())

  test('the demo is written once and read back as it was made', async () => {
    expect(await seedDemo(db(), false, hash)).toBe(true)
    expect(await seedDemo(db(), false, hash)).toBe(false)
    const { site } = (await readSite(db()))!
    const made = makeDemo().site
    expect({ ...site, pictures: site.pictures.length }).toEqual({ ...made, pictures: made.pictures.length })
  })

  test('edits are applied in order to the revision that they name', async () => {
    const done = await draft().applyEdits('house-header', 1, [rename('one', 'A'), rename('two', 'B')], 'Ada')
    expect(done).toMatchObject({ kind: 'done', revision: 3 })
    expect(await draft().layout('house-header')).toMatchObject({
      revision: 3,
      layout: { name: 'B' },
      changedBy: 'Ada',
      log: [{ id: 'one' }, { id: 'two' }],
    })
  })

  test('sent twice because the answer was lost, they are applied once', async () => {
    const again = await draft().applyEdits('house-header', 1, [rename('one', 'A'), rename('two', 'B')], 'Ada')
    expect(again).toMatchObject({ kind: 'done', revision: 3 })
    expect((await draft().layout('house-header')).revision).toBe(3)
  })

  test('a stale revision gets the edits that came between, and nothing is lost', async () => {
    const stale = await draft().applyEdits('house-header', 2, [rename('three', 'C')], 'Wim')
    expect(stale).toMatchObject({ kind: 'stale', revision: 3, between: [{ id: 'two' }] })
    expect((await draft().layout('house-header')).layout.name).toBe('B')
  })

  test('of edits sent together, all are refused when one is', async () => {
    const bad: Pending = { id: 'bad', edit: { kind: 'remove', id: 'nowhere' }, does: 'edit' }
    expect(await draft().applyEdits('house-header', 3, [rename('four', 'D'), bad], 'Ada')).toMatchObject({
      kind: 'refused',
      problem: { code: 'node-unknown' },
    })
    expect((await draft().layout('house-header')).layout.name).toBe('B')
  })

  test('a revision from the future is stale too', async () => {
    expect(await draft().applyEdits('house-header', 99, [rename('five', 'E')], 'Ada')).toMatchObject({
      kind: 'stale',
      revision: 3,
      between: [],
    })
  })

  test('layouts are made, copied with new ids, removed and put back', async () => {
    const made = await draft().createLayout({ id: 'copy', name: 'Copy', region: 'header', from: 'house-header' }, 'Ada')
    expect(made.layout.children[0]!.id).not.toBe('house-header-1')
    expect(made.created).toBeGreaterThan(10)
    await expect(draft().createLayout({ id: 'copy', name: 'Again', region: 'header' }, 'Ada')).rejects.toMatchObject({
      problem: { code: 'id-taken' },
    })
    await expect(
      draft().createLayout({ id: 'mixed', name: 'Mixed', region: 'footer', from: 'house-header' }, 'Ada'),
    ).rejects.toMatchObject({ problem: { code: 'input-wrong' } })
    await draft().setLayoutRemoved('copy', true, 'Ada')
    await expect(draft().layout('copy')).rejects.toMatchObject({ problem: { code: 'layout-unknown' } })
    await draft().setLayoutRemoved('copy', false, 'Ada')
    expect((await draft().layout('copy')).layout.name).toBe('Copy')
    await expect(draft().setLayoutRemoved('nowhere', true, 'Ada')).rejects.toMatchObject({
      problem: { code: 'layout-unknown' },
    })
  })

  test('frames are kept on top of the revision they were made from, and a removed one can be put back', async () => {
    const made = frame('extra', [{ kind: 'every' }], {})
    expect(await draft().putFrame(made, 0, 'Ada')).toMatchObject({ stored: { revision: 1 } })
    expect(await draft().putFrame(made, 0, 'Wim')).toMatchObject({ stale: { revision: 1 } })
    expect(await draft().putFrame({ ...made, name: 'Named' }, 1, 'Ada')).toMatchObject({ stored: { revision: 2 } })
    expect(await draft().removeFrame('extra', 2, 'Ada')).toMatchObject({ stored: { revision: 3 } })
    expect(await draft().putFrame(made, 2, 'Wim')).toEqual({ stale: null })
    expect(await draft().putFrame(made, 3, 'Ada')).toMatchObject({ stored: { revision: 4 } })
    await expect(draft().putFrame({ ...made, covers: [{ kind: 'planet' } as never] }, 4, 'Ada')).rejects.toMatchObject({
      problem: { code: 'frame-target' },
    })
    await draft().removeFrame('extra', 4, 'Ada')
  })

  test('a release freezes the draft; nothing changed is nothing to release; a release never changes', async () => {
    const content = new Content(db())
    await content.reload()
    const releases = new Releases(db(), draft(), () => content.catalogue)
    const { waiting } = await releases.list()
    expect(waiting).toEqual([
      { what: 'layout', how: 'changed', id: 'house-header', name: 'B' },
      { what: 'layout', how: 'new', id: 'copy', name: 'Copy' },
    ])
    const { release } = await releases.release(' Second ', 'Ada')
    expect(release).toMatchObject({ number: 2, note: 'Second', by: 'Ada' })
    await expect(releases.release('', 'Ada')).rejects.toMatchObject({ problem: { code: 'nothing-to-release' } })
    // The binding makes its errors in the realm that loaded it first, so this may be no Error of ours.
    await expect(db().updateTable('releases').set({ note: 'rewritten' }).execute()).rejects.toMatchObject({
      message: expect.stringContaining('a release never changes') as string,
    })
    expect((await readLatestRelease(db()))!.design.layouts.find((l) => l.id === 'house-header')!.name).toBe('B')
  })

  test('published pages are kept ready until a release, and have what caches need', async () => {
    const content = new Content(db())
    await content.reload()
    const published = new Published(content)
    published.swap(makeDemo().design)
    const page = content.catalogue.pageAt('/visit')!
    const first = published.draw(page, '/visit', VISITOR)
    expect(first).toMatchObject({ status: 200, headers: { 'cache-control': 'public, max-age=0, must-revalidate' } })
    expect(published.readyAt('/visit')).toBe(first)
    expect(published.draw(page, '/visit', VISITOR).etag).toBe(first.etag)
    expect(published.draw(page, '/visit', { ...VISITOR, parameters: { kiosk: '' } }).body.toString()).not.toContain(
      '<header>',
    )
    expect(published.readyAt('/visit')!.body.toString()).toContain('<header>')
    published.swap(makeDemo(true).design)
    expect(published.readyAt('/visit')).toBeUndefined()
    expect(published.draw(page, '/visit', VISITOR).etag).not.toBe(first.etag)
  })

  test('what a page depends on decides what caches may do with it', async () => {
    const content = new Content(db())
    await content.reload()
    const published = new Published(content)
    const { design } = makeDemo()
    const page = content.catalogue.pageAt('/visit')!
    const under = (...onlyWhen: Circumstance[]) => {
      const extra = frame('extra', [{ kind: 'type', type: 'page' }], { header: { kind: 'empty' } }, { onlyWhen })
      published.swap({ ...design, frames: [...design.frames, extra] })
      const { headers } = published.draw(page, '/visit', VISITOR)
      return {
        cache: headers['cache-control'],
        vary: headers.vary,
        hints: headers['accept-ch'],
        kept: published.readyAt('/visit') !== undefined,
      }
    }
    const shared = 'public, max-age=0, must-revalidate'
    expect(under()).toMatchObject({ cache: shared, vary: 'accept-encoding' })
    expect(under({ kind: 'parameter', name: 'x', op: 'present', values: [] })).toEqual({
      cache: shared,
      vary: 'accept-encoding',
      hints: undefined,
      kept: true,
    })
    expect(under({ kind: 'device', devices: ['phone'] })).toEqual({
      cache: shared,
      vary: 'accept-encoding, sec-ch-ua-mobile, sec-ch-ua-platform, user-agent',
      hints: 'Sec-CH-UA-Mobile, Sec-CH-UA-Platform',
      kept: false,
    })
    expect(under({ kind: 'role', roles: ['member'] })).toEqual({
      cache: 'private, no-cache',
      vary: 'accept-encoding, cookie',
      hints: undefined,
      kept: false,
    })
    expect(under({ kind: 'date', from: '2026-01-01', until: null, weekdays: [] })).toMatchObject({
      cache: shared,
      kept: false,
    })
    // A frame that cannot cover the page changes nothing for it.
    const talk = content.catalogue.pageAt('/talks/winding-for-beginners')!
    expect(published.needs(talk)).toEqual({ device: false, session: false, date: false })
    expect(published.draw(page, '/visit', { ...VISITOR, role: 'member' }).etag).toBe(
      published.draw(page, '/visit', VISITOR).etag,
    )
  })

  test('addresses are found with and without their slash, and what home shows leads home', async () => {
    const content = new Content(db())
    await content.reload()
    const published = new Published(content)
    expect(published.find('/visit/')).toEqual({ redirect: '/visit' })
    expect(published.find('/welcome')).toEqual({ redirect: '/' })
    expect(published.find('/nowhere/')).toMatchObject({ page: { kind: 'not-found' } })
    expect(published.find('/')).toMatchObject({ page: { kind: 'home' } })
  })

  test('the search finds words anywhere, and nothing for nothing', async () => {
    const catalogue = new Catalogue(makeDemo().site)
    expect(searchEntries(catalogue, 'fenwick')[0]!.id).toBe('fenwick-turret-clock')
    expect(searchEntries(catalogue, 'pinwheel escapement')[0]!.id).toBe('fenwick-turret-clock')
    expect(searchEntries(catalogue, '   ')).toEqual([])
    expect(searchEntries(catalogue, 'qqqqqqq')).toEqual([])
  })

  test('a database written by a newer version is left alone', async () => {
    const other = join(folder, 'newer')
    const first = await openDatabase(other)
    await first.destroy()
    const raw = new Sqlite(join(other, 'outer-frame.sqlite'))
    raw.prepare("insert into kysely_migration values ('999-future', '2030-01-01')").run()
    raw.close()
    await expect(openDatabase(other)).rejects.toThrow(/written by a newer version \(it has 999-future/)
    await expect(openDatabase(other)).rejects.toBeInstanceOf(StartError)
  })

  test('a file that is no database is named as such', async () => {
    const other = join(folder, 'broken')
    mkdirSync(other)
    writeFileSync(join(other, 'outer-frame.sqlite'), 'this is a shopping list, and rather a long one'.repeat(100))
    await expect(openDatabase(other)).rejects.toThrow(/cannot be opened/)
  })

  test('a data folder that is a file cannot be used', () => {
    const file = join(folder, 'file')
    writeFileSync(file, '')
    expect(() => prepareFolder(file)).toThrow(/cannot be written/)
  })

  test('secrets are made once, kept for the owner alone, and give way to the environment', () => {
    const other = join(folder, 'secrets')
    mkdirSync(other)
    const before = { ...process.env }
    try {
      delete process.env.NUXT_SESSION_PASSWORD
      process.env.NUXT_CSURF_ENCRYPT_SECRET = 'x'.repeat(32)
      ensureSecrets(other)
      const file = join(other, 'secrets.json')
      const first = readFileSync(file, 'utf8')
      expect(process.env.NUXT_SESSION_PASSWORD).toHaveLength(64)
      expect(process.env.NUXT_CSURF_ENCRYPT_SECRET).toBe('x'.repeat(32))
      expect(statSync(file).mode & 0o777).toBe(0o600)
      ensureSecrets(other)
      expect(readFileSync(file, 'utf8')).toBe(first)
      chmodSync(file, 0o600)
    } finally {
      process.env = before
    }
  })
})

describe('changesBetween', () => {
  const catalogue = new Catalogue(makeDemo().site)
  test('names what is new, changed and removed, whatever the order in which documents say it', () => {
    const before = makeDemo().design
    expect(changesBetween(before, JSON.parse(JSON.stringify(before)), catalogue)).toEqual([])
    const reordered = {
      ...before,
      layouts: before.layouts.map((l) => Object.fromEntries(Object.entries(l).reverse()) as never),
    }
    expect(changesBetween(before, reordered, catalogue)).toEqual([])
    const [first, ...rest] = before.frames
    const after = {
      ...before,
      frames: [...rest, frame('new', [{ kind: 'every' }], {})],
      house: { ...before.house, gap: 40 },
    }
    expect(changesBetween(before, after, catalogue).map((c) => [c.what, c.how, c.id])).toEqual([
      ['frame', 'new', 'new'],
      ['frame', 'removed', first!.id],
      ['house', 'changed', 'house'],
    ])
    expect(changesBetween(null, makeDemo(true).design, catalogue)).toEqual([])
  })
})

describe('AttemptLimit', () => {
  test('few attempts for one mail address, and time heals', () => {
    let now = 0
    const limit = new AttemptLimit(() => now)
    for (let i = 0; i < 8; i++) {
      expect(limit.waitFor('ada@x', 'here')).toBe(0)
      limit.noteFailure('ada@x', 'here')
    }
    expect(limit.waitFor(' ADA@x ', 'here')).toBe(15)
    expect(limit.waitFor('ada@x', 'there')).toBe(0)
    expect(limit.waitFor('wim@x', 'here')).toBe(0)
    now += 15 * 60_000 + 1
    expect(limit.waitFor('ada@x', 'here')).toBe(0)
  })

  test('many names tried from one place are limited together; success forgets', () => {
    const limit = new AttemptLimit(() => 0)
    for (let i = 0; i < 40; i++) limit.noteFailure(`user${i}@x`, 'here')
    expect(limit.waitFor('new@x', 'here')).toBe(15)
    const other = new AttemptLimit(() => 0)
    for (let i = 0; i < 7; i++) other.noteFailure('ada@x', 'here')
    other.noteSuccess('ada@x', 'here')
    other.noteFailure('ada@x', 'here')
    expect(other.waitFor('ada@x', 'here')).toBe(0)
  })
})
