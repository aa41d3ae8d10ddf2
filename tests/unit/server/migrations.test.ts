import { Kysely, Migrator, SqliteDialect } from 'kysely'
import Sqlite from 'better-sqlite3'
import { copyFileSync, existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { makeDemo } from '#demo/index'
import { readSite } from '../../../server/database/content'
import { readRecords } from '../../../server/database/edits'
import { ImmediateDialect } from '../../../server/database/dialect'
import { renameBuiltInFields } from '../../../server/database/field-ids'
import { MIGRATIONS } from '../../../server/database/migrations'
import type { Tables } from '../../../server/database/schema'
import { deleteUser, findUserByMail, insertUser } from '../../../server/database/users'
import { openDatabase } from '../../../server/database/open'

/** Databases as earlier versions wrote them, kept as they were, and brought up to date. */

const folder = mkdtempSync(join(tmpdir(), 'outer-frame-old-'))
afterAll(() => rmSync(folder, { recursive: true, force: true }))

const sample = (name: string): string => readFileSync(new URL(`./samples/${name}`, import.meta.url), 'utf8')

/** A database as it stood after a migration, filled with what was stored then. */
async function oldDatabase(until: string, fill: string): Promise<void> {
  const sqlite = new Sqlite(join(folder, 'outer-frame.sqlite'))
  const db = new Kysely({ dialect: new SqliteDialect({ database: sqlite }) })
  const migrator = new Migrator({ db, provider: { getMigrations: async () => MIGRATIONS } })
  const { error } = await migrator.migrateTo(until)
  if (error) throw error
  sqlite.exec(fill)
  await db.destroy()
}

test('what was stored by every earlier version is read as it was meant', async () => {
  await oldDatabase('003-runs', sample('003-runs.sql'))
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
