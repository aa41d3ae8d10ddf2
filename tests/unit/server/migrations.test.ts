import { Kysely, Migrator, SqliteDialect } from 'kysely'
import Sqlite from 'better-sqlite3'
import { copyFileSync, existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { gunzipSync } from 'node:zlib'
import { type Parcel, checkParcel, parcelUpToDate } from '#core/formats'
import { treesOf } from '#core/layouts'
import { makeDemo } from '#demo/index'
import { readSite } from '../../../server/database/content'
import { readRecords } from '../../../server/database/edits'
import { ImmediateDialect } from '../../../server/database/dialect'
import { readFrames, readHouse } from '../../../server/database/frames'
import { readLayouts } from '../../../server/database/layouts'
import { readRelease } from '../../../server/database/releases'
import { renameBuiltInFields } from '../../../server/database/field-ids'
import { MIGRATIONS } from '../../../server/database/migrations'
import type { Tables } from '../../../server/database/schema'
import { deleteUser, findUserByMail, insertUser } from '../../../server/database/users'
import { openDatabase } from '../../../server/database/open'

/** Databases as earlier versions wrote them, kept as they were, and brought up to date. */

const folder = mkdtempSync(join(tmpdir(), 'outer-frame-old-'))
afterAll(() => rmSync(folder, { recursive: true, force: true }))

/** A sample as it was written; those that are large are compressed. */
function sample(name: string): string {
  const bytes = readFileSync(new URL(`./samples/${name}`, import.meta.url))
  return (name.endsWith('.gz') ? gunzipSync(bytes) : bytes).toString('utf8')
}

/** A database in a folder as it stood after a migration, filled with what was stored then. */
async function oldDatabase(at: string, until: string, fill: string): Promise<void> {
  const sqlite = new Sqlite(join(at, 'outer-frame.sqlite'))
  const db = new Kysely({ dialect: new SqliteDialect({ database: sqlite }) })
  const migrator = new Migrator({ db, provider: { getMigrations: async () => MIGRATIONS } })
  const { error } = await migrator.migrateTo(until)
  if (error) throw error
  sqlite.exec(fill)
  await db.destroy()
}

test('what was stored by every earlier version is read as it was meant', async () => {
  await oldDatabase(folder, '003-runs', sample('003-runs.sql'))
  const db = await openDatabase(folder)
  const { site, spoilt } = (await readSite(db, makeDemo().site.settings))!
  expect(site.entries.map((e) => [e.id, e.summary])).toEqual([
    ['sundial', 'It tells the time when the sun does.'],
    ['hourglass', ''],
  ])
  // What could not be read before stays as it was, and is told.
  expect(spoilt.map((s) => [s.what, s.id])).toEqual([['entry', 'broken']])
  const { records } = await readRecords(db, 'layout', 'old-footer', 0, 10)
  expect(records).toMatchObject([{ revision: 2, id: 'first', inverse: { name: 'Footer' } }])
  await db.destroy()
})

test('the whole museum as it was stored with 27 migrations is read without a loss: draft, log and releases', async () => {
  const at = mkdtempSync(join(tmpdir(), 'outer-frame-museum-'))
  await oldDatabase(at, '027-first-published', sample('027-museum.sql.gz'))
  const db = await openDatabase(at)
  const { site, spoilt } = (await readSite(db, makeDemo().site.settings))!
  const layouts = (await readLayouts(db, spoilt)).map((l) => l.layout)
  const [frames, removed] = [await readFrames(db, spoilt), await readFrames(db, spoilt, true)]
  const house = (await readHouse(db, spoilt))!.house
  expect(spoilt).toEqual([])
  expect([site.entries.length, site.pictures.length, layouts.length, frames.length]).toEqual([89, 191, 37, 24])
  expect(removed.map((f) => f.frame.id)).toEqual(['exhibits'])
  expect(house!.looks.map((l) => l.name)).toEqual(expect.arrayContaining(['Banded', 'Pictured']))
  // A place of a shared piece says something itself, and a variation says what differs from its base.
  const drawn = treesOf({ layouts })
  expect(JSON.stringify(drawn.madeOf(layouts.find((l) => l.id === 'talk-page')!).made)).toContain('Said here')
  expect(drawn.basesOf(layouts.find((l) => l.id === 'tower-header')!).bases.map((l) => l.id)).toEqual(['house-header'])
  const { records } = await readRecords(db, 'layout', 'band', 0, 10)
  expect(records.map((r) => (r.edit as { kind: string }).kind)).toEqual([
    'insert',
    'setStyle',
    'setDefault',
    'setOpen',
    'setLook',
  ])
  for (const [kind, document, count] of [
    ['house', 'house', 2],
    ['structure', 'structure', 1],
  ] as const)
    expect([kind, (await readRecords(db, kind, document, 0, 10)).records.length]).toEqual([kind, count])
  const [first, second] = [(await readRelease(db, 1))!, (await readRelease(db, 2))!]
  expect([first, second].map(({ design }) => [design.layouts.length, design.frames.length])).toEqual([
    [36, 25],
    [37, 24],
  ])
  // Nothing was changed after the second release, so what it froze is the draft, document by document.
  const byId = <T extends { id: string }>(all: readonly T[]) => new Map(all.map((one) => [one.id, one]))
  expect(byId(second.design.layouts)).toEqual(byId(layouts))
  expect(byId(second.design.frames)).toEqual(byId(frames.map((f) => f.frame)))
  expect(second.design.house).toEqual(house)
  expect(second.changes.map((c) => `${c.what} ${c.id} ${c.how}`)).toContain('frame exhibits removed')
  await db.destroy()
  rmSync(at, { recursive: true, force: true })
})

test('a design file of the first format is accepted, with all that was in it', () => {
  const parcel = JSON.parse(sample('parcel-1.json.gz')) as Parcel
  expect(checkParcel(parcel)).toEqual([])
  const { layouts, frames, house } = parcelUpToDate(parcel)
  expect([layouts.length, frames.length, house!.looks.length > 2]).toEqual([37, 24, true])
})

/** A database that loses its process before one of its statements: what was not committed is gone. */
async function killedAt(at: string, statement: number): Promise<boolean> {
  const sqlite = new Sqlite(join(at, 'outer-frame.sqlite'))
  sqlite.pragma('journal_mode = WAL')
  sqlite.pragma('foreign_keys = OFF')
  let left = statement
  const dying = new Proxy(sqlite, {
    get(target, name) {
      const own = Reflect.get(target, name) as unknown
      if (name !== 'prepare') return typeof own === 'function' ? (own as () => unknown).bind(target) : own
      return (text: string) => {
        if (left-- === 0) {
          target.close()
          throw new Error('killed')
        }
        return target.prepare(text)
      }
    },
  })
  const db = new Kysely({ dialect: new ImmediateDialect(dying) })
  const migrator = new Migrator({ db, provider: { getMigrations: async () => MIGRATIONS } })
  const { error } = await migrator.migrateToLatest().catch((caught: unknown) => ({ error: caught }))
  if (sqlite.open) sqlite.close()
  return error !== undefined
}

test('an upgrade that is killed at any statement goes on at the next start, and nothing is lost', async () => {
  const kept = mkdtempSync(join(tmpdir(), 'outer-frame-killed-'))
  const file = join(kept, 'outer-frame.sqlite')
  const sqlite = new Sqlite(file)
  const db = new Kysely({ dialect: new SqliteDialect({ database: sqlite }) })
  const migrator = new Migrator({ db, provider: { getMigrations: async () => MIGRATIONS } })
  expect((await migrator.migrateTo('003-runs')).error).toBeUndefined()
  sqlite.exec(sample('003-runs.sql'))
  await db.destroy()
  let statement = 0
  for (let killed = true; killed; statement += 5) {
    const at = mkdtempSync(join(tmpdir(), 'outer-frame-killed-'))
    copyFileSync(file, join(at, 'outer-frame.sqlite'))
    killed = await killedAt(at, statement)
    const opened = await openDatabase(at)
    const { site } = (await readSite(opened, makeDemo().site.settings))!
    expect([statement, site.entries.map((e) => e.id)]).toEqual([statement, ['sundial', 'hourglass']])
    await opened.destroy()
    // What stood there before the upgrade is kept beside it.
    if (killed) expect(existsSync(join(at, 'before-upgrade.sqlite'))).toBe(true)
    rmSync(at, { recursive: true, force: true })
  }
  expect(statement).toBeGreaterThan(100)
  rmSync(kept, { recursive: true, force: true })
})

test('the id of a removed user is never used again, and what they ordered is nobody else\u2019s', async () => {
  const at = mkdtempSync(join(tmpdir(), 'outer-frame-users-'))
  const db = await openDatabase(at)
  const user = (mail: string) => insertUser(db, { mail, name: mail, role: 'member', passwordHash: '' })
  await user('one@example.org')
  const { id } = (await findUserByMail(db, 'one@example.org'))!
  await db.insertInto('baskets').values({ id: 'basket', user: id, doc: '{}', at: 0, placed: null }).execute()
  await deleteUser(db, id)
  await user('two@example.org')
  expect((await findUserByMail(db, 'two@example.org'))!.id).toBeGreaterThan(id)
  expect((await db.selectFrom('baskets').select('user').executeTakeFirstOrThrow()).user).toBeNull()
  await db.destroy()
  rmSync(at, { recursive: true, force: true })
})

test('a field of a page type that had the id of a built-in one has an id of its own, with what entries hold', async () => {
  const at = mkdtempSync(join(tmpdir(), 'outer-frame-fields-'))
  const sqlite = new Sqlite(join(at, 'outer-frame.sqlite'))
  const db = new Kysely<Tables>({ dialect: new SqliteDialect({ database: sqlite }) })
  const migrator = new Migrator({ db, provider: { getMigrations: async () => MIGRATIONS } })
  expect((await migrator.migrateTo('024-users-for-good')).error).toBeUndefined()
  const types = [
    {
      id: 'talk',
      fields: [
        { id: 'date', label: 'Date' },
        { id: 'date-2', label: 'Other' },
      ],
      sells: { on: 'date' },
    },
  ]
  const values = { id: 1, settings: '{}', types: JSON.stringify(types), taxonomies: '[]', content_version: 1 }
  await db.insertInto('site').values(values).execute()
  const doc = JSON.stringify({ id: 'a', fields: { date: '2026-03-29', 'date-2': 'x' } })
  sqlite.prepare("insert into entries (id, type, position, published, doc) values ('a', 'talk', 0, 1, ?)").run(doc)
  await renameBuiltInFields(db)
  const [type] = JSON.parse((await db.selectFrom('site').select('types').executeTakeFirstOrThrow()).types)
  expect([type.fields.map((f: { id: string }) => f.id), type.sells.on]).toEqual([['date-3', 'date-2'], 'date-3'])
  const entry = JSON.parse((await db.selectFrom('entries').select('doc').executeTakeFirstOrThrow()).doc)
  expect(entry.fields).toEqual({ 'date-3': '2026-03-29', 'date-2': 'x' })
  await db.destroy()
  rmSync(at, { recursive: true, force: true })
})
