import { Kysely, Migrator, SqliteDialect } from 'kysely'
import Sqlite from 'better-sqlite3'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { makeDemo } from '#demo/index'
import { readSite } from '../../../server/database/content'
import { readRecords } from '../../../server/database/edits'
import { MIGRATIONS } from '../../../server/database/migrations'
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
