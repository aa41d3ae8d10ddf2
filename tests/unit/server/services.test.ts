import { mkdirSync, readFileSync, statSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import Sqlite from 'better-sqlite3'
import { makeDemo } from '#demo/index'
import { EditSession, type Pending, type PlainEdit, historyOf } from '#core/edits'
import type { Edit } from '#core/layouts'
import { emptyLayout } from '#core/tree'
import type { Spoilt } from '#core/documents'
import { BARE_DESIGN } from '#core/design'
import { Catalogue } from '#core/catalogue'
import { readSite } from '../../../server/database/content'
import { StartError, openDatabase, prepareFolder } from '../../../server/database/open'
import { readLatestRelease } from '../../../server/database/releases'
import { nameOf, noteSound, readSound } from '../../../server/database/sound'
import { jobsOver } from '../../../server/aside/jobs'
import { Content } from '../../../server/services/content'
import { Draft } from '../../../server/services/draft'
import { Plans } from '../../../server/services/plans'
import { Releases, changesBetween } from '../../../server/services/release'
import { ensureSecrets } from '../../../server/services/secrets'
import { seedDemo } from '../../../server/services/seed'
import { AttemptLimit } from '../../../server/services/sign-in'
import { LAYOUT_EDITING, column, element, frame, plain, row } from '../../fixtures'
import { freshDatabase } from './database'

const hash = { hash: async () => 'hashed' }
const rename = (id: string, name: string): Pending<Edit> => ({
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
    const { site } = (await readSite(db(), makeDemo().site.settings))!
    const waiting = site.entries.find((e) => e.from)!
    const made = makeDemo(false, waiting.from!).site
    expect({ ...site, pictures: site.pictures.length }).toEqual({
      ...made,
      redirects: [...made.redirects!].sort((a, b) => (a.address < b.address ? -1 : 1)),
      pictures: made.pictures.length,
    })
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
    const bad: Pending<Edit> = { id: 'bad', edit: { kind: 'remove', id: 'nowhere' }, does: 'edit' }
    expect(await draft().applyEdits('house-header', 3, [rename('four', 'D'), bad], 'Ada')).toMatchObject({
      kind: 'refused',
      problem: { code: 'node-unknown' },
    })
    expect((await draft().layout('house-header')).layout.name).toBe('B')
  })

  test('a revision from the future, or one far behind, is told the layout as it stands and what of it was taken', async () => {
    const future = await draft().applyEdits('house-header', 99, [rename('two', 'B'), rename('five', 'E')], 'Ada')
    expect(future).toMatchObject({ kind: 'far', state: { revision: 3, document: { name: 'B' } }, taken: ['two'] })
  })

  test('the house style is edited step by step, told when it is stale, and taken back', async () => {
    const set = (id: string, value: number): Pending<PlainEdit> => ({
      id,
      edit: { kind: 'set', at: ['textSize'], value },
      does: 'edit',
    })
    const { document, revision, log } = await draft().house()
    expect([document, log]).toEqual([makeDemo().design.house, []])
    const done = await draft().applyHouseEdits(revision, [set('h1', 19), set('h2', 21)], 'Ada')
    expect(done).toMatchObject({ kind: 'done', revision: revision + 2 })
    expect((await draft().design()).house.textSize).toBe(21)
    const stale = await draft().applyHouseEdits(revision, [set('h3', 15)], 'Wim')
    expect(stale).toMatchObject({ kind: 'stale', between: [{ id: 'h1' }, { id: 'h2' }] })
    const bad = await draft().applyHouseEdits(revision + 2, [set('h4', 9000)], 'Ada')
    expect(bad).toMatchObject({ kind: 'refused', problem: { code: 'house-shape' } })
    const told = await draft().house()
    const undo = historyOf(told.log).undo.map(({ edit, of }, i) => ({ id: `u${i}`, edit, of, does: 'undo' as const }))
    expect(await draft().applyHouseEdits(told.revision, undo.reverse(), 'Ada')).toMatchObject({ kind: 'done' })
    expect((await draft().house()).document).toEqual(document)
  })

  test('a run longer than the log that is told has one inverse, and is still taken back in one step', async () => {
    const { layout: before, revision } = await draft().layout('slim-footer')
    const type = (n: number): Pending<Edit> => ({
      id: `run${n}`,
      edit: { kind: 'rename', id: before.id, name: `Name ${n}` },
      does: 'edit',
      run: 'run0',
    })
    for (let n = 0; n < 600; n += 150) {
      const edits = Array.from({ length: 150 }, (_, i) => type(n + i))
      expect(await draft().applyEdits(before.id, revision + n, edits, 'Ada')).toMatchObject({ kind: 'done' })
    }
    const { log, revision: now, layout } = await draft().layout(before.id)
    expect([layout.name, log.length < 600]).toEqual(['Name 599', true])
    expect(log.filter((r) => r.inverse !== null).map((r) => r.id)).toEqual([log[0]!.id])
    const [step, ...others] = historyOf(log).undo
    expect(others).toEqual([])
    const undo = { id: 'run-undo', edit: step!.edit, of: step!.of, does: 'undo' as const }
    expect(await draft().applyEdits(before.id, now, [undo], 'Ada')).toMatchObject({ kind: 'done' })
    expect((await draft().layout(before.id)).layout).toEqual(before)
  })

  test('far behind, the layout is told as it stands, and an edit that it has already is not made again', async () => {
    await draft().createLayout({ id: 'busy', name: 'Busy', region: 'footer' }, 'Ada')
    const name = (n: number): Pending<Edit> => ({
      id: `n${n}`,
      edit: { kind: 'rename', id: 'busy', name: `Name ${n}` },
      does: 'edit',
    })
    for (let at = 1; at <= 1101; at += 100) {
      const edits = Array.from({ length: 100 }, (_, i) => name(at + i))
      expect(await draft().applyEdits('busy', at, edits, 'Ada')).toMatchObject({ kind: 'done' })
    }
    const late = new EditSession(
      LAYOUT_EDITING,
      { document: emptyLayout('busy', 'Busy', 'footer'), revision: 1, log: [] },
      [name(1)],
    )
    late.apply(
      { id: 'mine', edit: { kind: 'setDefault', of: 'row', property: 'gap', step: 'wide', value: 7 }, does: 'edit' },
      0,
    )
    const far = await draft().applyEdits('busy', 1, late.pending, 'Wim')
    if (far.kind !== 'far') throw new Error(far.kind)
    expect(far.taken).toEqual(['n1'])
    late.begunAnew({ ...far.state, document: plain(far.state.document) }, far.taken)
    const sending = late.nextToSend()!
    expect(sending.edits.map((e) => e.id)).toEqual(['mine'])
    expect(await draft().applyEdits('busy', sending.revision, sending.edits, 'Wim')).toMatchObject({ kind: 'done' })
    const stored = await draft().layout('busy')
    expect(stored.layout).toMatchObject({ name: 'Name 1200', defaults: { row: { gap: { wide: 7 } } } })
    await draft().removeLayout('busy', 'Ada')
  })

  test('while large edits are worked out, whoever else stores something is not kept waiting', async () => {
    await draft().createLayout({ id: 'large', name: 'Large', region: 'footer' }, 'Ada')
    const edits = Array.from({ length: 400 }, (_, i): Pending<Edit> => ({
      id: `large-${i}`,
      edit: { kind: 'rename', id: 'large', name: `${'A long name, '.repeat(8)}${i}` },
      does: 'edit',
    }))
    expect(JSON.stringify(edits).length).toBeGreaterThan(40_000)
    let goOn = () => {}
    const waits = new Promise<void>((done) => (goOn = done))
    const jobs = jobsOver(db())
    let begun = () => {}
    const begins = new Promise<void>((done) => (begun = done))
    const slow = new Draft(db(), { ...jobs, apply: async (input) => (begun(), await waits, jobs.apply(input)) })
    const large = slow.applyEdits('large', 1, edits, 'Ada')
    await begins
    // Somebody else makes a layout, and edits it, before the large edits are done.
    await draft().createLayout({ id: 'other', name: 'Other', region: 'footer' }, 'Wim')
    const meanwhile: Pending<Edit> = { id: 'other-1', edit: { kind: 'rename', id: 'other', name: 'B' }, does: 'edit' }
    expect(await draft().applyEdits('other', 1, [meanwhile], 'Wim')).toMatchObject({ kind: 'done' })
    goOn()
    expect(await large).toMatchObject({ kind: 'done', revision: 401 })
    for (const id of ['large', 'other']) await draft().removeLayout(id, 'Ada')
  }, 10_000)

  test('what edits make of a large layout is judged beside, and not once more by whoever reads it next', async () => {
    await draft().createLayout({ id: 'wide', name: 'Wide', region: 'footer' }, 'Ada')
    const jobs = jobsOver(db())
    const applied: Awaited<ReturnType<typeof jobs.apply>>[] = []
    const beside = new Draft(db(), {
      ...jobs,
      apply: async (input) => (applied.push(await jobs.apply(input)), applied.at(-1)!),
    })
    const node = row(column(12, ...Array.from({ length: 500 }, () => element('heading', { text: 'Words' }))))
    const insert: Pending<Edit> = { id: 'w1', edit: { kind: 'insert', parent: 'wide', index: 0, node }, does: 'edit' }
    expect(await beside.applyEdits('wide', 1, [insert], 'Ada')).toMatchObject({ kind: 'done' })
    // One small edit of what is large by now.
    const small: Pending<Edit> = { id: 'w2', edit: { kind: 'rename', id: 'wide', name: 'Wider' }, does: 'edit' }
    expect(await beside.applyEdits('wide', 2, [small], 'Ada')).toMatchObject({ kind: 'done' })
    expect(applied).toHaveLength(2)
    const { doc } = await db().selectFrom('layouts').select('doc').where('id', '=', 'wide').executeTakeFirstOrThrow()
    const rows = await db().selectFrom('document_edits').selectAll().where('document', '=', 'wide').execute()
    const sound = applied.flatMap((a) => ('sound' in a ? a.sound! : []))
    expect(sound).toContain(nameOf('layout', doc))
    for (const { edit, inverse } of rows)
      expect(sound).toEqual(expect.arrayContaining([nameOf('layout-edit', edit), nameOf('layout-edit', inverse!)]))
    await draft().removeLayout('wide', 'Ada')
  }, 10_000)

  test('a text that was found sound beside is not judged again; any other is', () => {
    const nonsense = JSON.stringify({ id: 'nonsense' })
    const spoilt: Spoilt[] = []
    expect(readSound('layout', 'nonsense', nonsense, spoilt)).toBeNull()
    expect(spoilt).toHaveLength(1)
    noteSound([nameOf('layout', nonsense)])
    expect(readSound('layout', 'nonsense', nonsense, [])).toEqual({ id: 'nonsense' })
  })

  test('an edit that was sent before, or twice at once, is refused in a sentence', async () => {
    for (const edits of [[rename('one', 'Z')], [rename('six', 'A'), rename('six', 'B')]]) {
      expect(await draft().applyEdits('house-header', 3, edits, 'Ada')).toMatchObject({
        kind: 'refused',
        problem: { code: 'edit-repeated' },
      })
    }
  })

  test('layouts are made, copied with new ids, removed and put back', async () => {
    const made = await draft().createLayout({ id: 'copy', name: 'Copy', region: 'header', from: 'house-header' }, 'Ada')
    expect(plain(made.layout).children[0]!.id).not.toBe('house-header-1')
    expect(made.created).toBeGreaterThan(10)
    await expect(draft().createLayout({ id: 'copy', name: 'Again', region: 'header' }, 'Ada')).rejects.toMatchObject({
      problem: { code: 'id-taken' },
    })
    await expect(
      draft().createLayout({ id: 'mixed', name: 'Mixed', region: 'footer', from: 'house-header' }, 'Ada'),
    ).rejects.toMatchObject({ problem: { code: 'other-region' } })
    await draft().removeLayout('copy', 'Ada')
    await expect(draft().layout('copy')).rejects.toMatchObject({ problem: { code: 'layout-unknown' } })
    await draft().restoreLayout('copy', 'Ada')
    expect((await draft().layout('copy')).layout.name).toBe('Copy')
    await expect(draft().removeLayout('nowhere', 'Ada')).rejects.toMatchObject({
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
    const releases = new Releases(db(), draft(), () => content.catalogue, jobsOver(db()))
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

  test('two servers over one folder release what is set for a moment once, and undo it once', async () => {
    const content = new Content(db())
    await content.reload()
    let now = Date.now()
    const shown: number[] = []
    const planner = () => {
      const releases = new Releases(db(), draft(), () => content.catalogue, jobsOver(db()))
      return new Plans(
        db(),
        releases,
        async (_, number) => void shown.push(number),
        () => now,
      )
    }
    const [one, two] = [planner(), planner()]
    await draft().putFrame(frame('planned', [{ kind: 'every' }], {}), 0, 'Ada')
    await one.set({ at: now + 1000, until: now + 2000, note: 'Set' }, 'Ada')
    const both = async () => {
      await Promise.all([one.runDue(), two.runDue()])
      await two.runDue()
      return (await one.list()).map(({ state, why }) => [state, why])
    }
    now += 1000
    expect(await both()).toEqual([['done', '']])
    expect(shown).toHaveLength(1)
    now += 1000
    expect(await both()).toEqual([['undone', '']])
    expect(shown).toHaveLength(2)
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
    await expect(openDatabase(other)).rejects.toThrow(
      /is damaged .* Put a backup of it in its place, or save what can be read/,
    )
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
      process.env.NUXT_CSURF_ENCRYPT_SECRET = 'x'.repeat(32)
      ensureSecrets(other)
      const file = join(other, 'secrets.json')
      const first = readFileSync(file, 'utf8')
      expect(process.env.NUXT_CSURF_ENCRYPT_SECRET).toBe('x'.repeat(32))
      expect(statSync(file).mode & 0o777).toBe(0o600)
      ensureSecrets(other)
      expect(readFileSync(file, 'utf8')).toBe(first)
      for (const spoilt of ['{', '[]', '{"NUXT_CSURF_ENCRYPT_SECRET":7}', '{"NUXT_CSURF_ENCRYPT_SECRET":"short"}']) {
        writeFileSync(file, spoilt)
        expect(() => ensureSecrets(other)).toThrow(/cannot be read .*Restore the file from a backup, or remove it/)
        expect(readFileSync(file, 'utf8')).toBe(spoilt)
      }
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
    // The first release brings the house style too, unless it is as it is without one.
    const bare = makeDemo(true).design
    expect(changesBetween(null, bare, catalogue).map((c) => [c.what, c.how])).toEqual([['house', 'changed']])
    expect(changesBetween(null, { ...bare, house: BARE_DESIGN.house }, catalogue)).toEqual([])
  })
})

describe('AttemptLimit', () => {
  const tries = (limit: AttemptLimit, n: number, mail: (i: number) => string) =>
    Array.from({ length: n }, (_, i) => limit.begin(mail(i), 'here'))

  test('few attempts for one mail address, and time heals', () => {
    let now = 0
    const limit = new AttemptLimit(() => now)
    expect(tries(limit, 8, () => 'ada@x')).toEqual(Array(8).fill(0))
    expect(limit.begin(' ADA@x ', 'here')).toBe(15)
    expect(limit.begin('ada@x', 'there')).toBe(0)
    expect(limit.begin('wim@x', 'here')).toBe(0)
    now += 15 * 60_000 + 1
    expect(limit.begin('ada@x', 'here')).toBe(0)
  })

  test('guesses made side by side are counted before any is answered', () => {
    const limit = new AttemptLimit(() => 0)
    expect(tries(limit, 300, () => 'ada@x').filter((minutes) => minutes === 0)).toHaveLength(8)
  })

  test('many names tried from one place are limited together; success forgets', () => {
    const limit = new AttemptLimit(() => 0)
    tries(limit, 40, (i) => `user${i}@x`)
    expect(limit.begin('new@x', 'here')).toBe(15)
    const other = new AttemptLimit(() => 0)
    tries(other, 8, () => 'ada@x')
    other.succeed('ada@x', 'here')
    expect(other.begin('ada@x', 'here')).toBe(0)
  })

  test('so many places that the oldest must be forgotten free nobody who was counted just now', () => {
    const limit = new AttemptLimit(() => 0)
    for (let i = 0; i < 12_000; i++) limit.begin('x@x', `place${i}`)
    for (let i = 0; i < 8; i++) limit.begin('x@x', 'place11999')
    expect(limit.begin('x@x', 'place11999')).toBe(15)
  })

  test('a clock set back lengthens nothing', () => {
    const limit = new AttemptLimit()
    const day = Date.now() - 86_400_000
    const real = Date.now
    try {
      tries(limit, 8, () => 'ada@x')
      Date.now = () => day
      expect(limit.begin('ada@x', 'here')).toBe(15)
    } finally {
      Date.now = real
    }
  })
})
