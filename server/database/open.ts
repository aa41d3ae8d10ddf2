import { accessSync, constants, mkdirSync } from 'node:fs'
import { join } from 'node:path'
import Sqlite from 'better-sqlite3'
import { Kysely, Migrator, SqliteDialect } from 'kysely'
import { MIGRATIONS } from './migrations'
import type { Tables } from './schema'

export type Database = Kysely<Tables>

/** A reason for which the server cannot start, as a sentence for whoever runs it. */
export class StartError extends Error {}

/** Makes the data folder, or says why it cannot be used. */
export function prepareFolder(folder: string): void {
  try {
    mkdirSync(folder, { recursive: true, mode: 0o700 })
    accessSync(folder, constants.W_OK)
  } catch (error) {
    const { code } = error as NodeJS.ErrnoException
    throw new StartError(
      `The data folder ${folder} cannot be written (${code}). Choose another with --data, or change its owner.`,
    )
  }
}

async function migrate(db: Database): Promise<void> {
  const migrator = new Migrator({ db, provider: { getMigrations: async () => MIGRATIONS } })
  const known = new Set(Object.keys(MIGRATIONS))
  const done = (await migrator.getMigrations().catch(() => [])) as { name: string; executedAt?: Date }[]
  const stored = await storedMigrations(db)
  const newer = stored.filter((name) => !known.has(name))
  if (newer.length > 0) {
    throw new StartError(
      `The database was written by a newer version (it has ${newer.join(', ')}; this version knows ${done.length} steps). ` +
        'Start the newer version, or begin with another data folder. Nothing was changed.',
    )
  }
  const { error } = await migrator.migrateToLatest()
  if (error) throw error
}

async function storedMigrations(db: Database): Promise<string[]> {
  const tables = await db.introspection.getTables({ withInternalKyselyTables: true })
  if (!tables.some((t) => t.name === 'kysely_migration')) return []
  const rows = await (db as unknown as Kysely<{ kysely_migration: { name: string } }>)
    .selectFrom('kysely_migration')
    .select('name')
    .execute()
  return rows.map((r) => r.name)
}

/**
 * Opens the database of a data folder and brings it up to date. Throws `StartError` when the folder cannot be
 * written, or when a newer version has written the database; it is left as it was then.
 */
export async function openDatabase(folder: string): Promise<Database> {
  prepareFolder(folder)
  let sqlite: Sqlite.Database
  try {
    sqlite = new Sqlite(join(folder, 'outer-frame.sqlite'))
    sqlite.pragma('journal_mode = WAL')
  } catch (error) {
    throw new StartError(`The database in ${folder} cannot be opened: ${(error as Error).message}.`)
  }
  sqlite.pragma('foreign_keys = ON')
  sqlite.pragma('synchronous = NORMAL')
  sqlite.pragma('busy_timeout = 4000')
  const db: Database = new Kysely<Tables>({ dialect: new SqliteDialect({ database: sqlite }) })
  try {
    await migrate(db)
  } catch (error) {
    await db.destroy()
    throw error
  }
  return db
}
