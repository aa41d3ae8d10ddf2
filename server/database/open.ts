import { accessSync, constants, mkdirSync, renameSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { setTimeout } from 'node:timers/promises'
import Sqlite from 'better-sqlite3'
import { Kysely, Migrator } from 'kysely'
import { ImmediateDialect } from './dialect'
import { takeLock } from './lock'
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

/** The database as it was before the newest upgrade, kept beside it until the next. */
const BEFORE_UPGRADE = 'before-upgrade.sqlite'

async function keepCopy(sqlite: Sqlite.Database, folder: string): Promise<void> {
  const copy = join(folder, BEFORE_UPGRADE)
  rmSync(`${copy}.coming`, { force: true })
  await sqlite.backup(`${copy}.coming`)
  renameSync(`${copy}.coming`, copy)
}

/** Brings the tables up to date in one transaction; the database is copied first where it has content already. */
async function migrate(db: Database, sqlite: Sqlite.Database, folder: string): Promise<void> {
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
  if (stored.length > 0 && stored.length < known.size) await keepCopy(sqlite, folder)
  // Tables that others refer to are made anew by some steps: references are judged again once all are done.
  sqlite.pragma('foreign_keys = OFF')
  const { error } = await migrator.migrateToLatest()
  sqlite.pragma('foreign_keys = ON')
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

/** In which file each open database is. */
const FILES = new WeakMap<object, string>()

/** The file of an open database, for connections that read beside it. */
export const fileOf = (db: Database): string => FILES.get(db)!

const FILE = 'outer-frame.sqlite'
/** For how long opening the file waits for another process, in milliseconds. */
const BUSY_TIME = 1_000
/** What SQLite says of a file that is no database, or no whole one. */
const DAMAGED = new Set(['SQLITE_NOTADB', 'SQLITE_CORRUPT'])

const codeOf = (error: unknown): string => String((error as { code?: unknown } | null)?.code ?? '')

/** An error of opening as a sentence with what to do; errors of our own stay what they are. */
export function startErrorOf(error: unknown, folder: string): unknown {
  const code = codeOf(error)
  if (DAMAGED.has(code) || code.startsWith('SQLITE_CORRUPT')) {
    return new StartError(
      `The database ${join(folder, FILE)} is damaged (${(error as Error).message}). Put a backup of it in its place, ` +
        `or save what can be read of it into a new folder: outer-frame salvage NEW --data ${folder}. Nothing was changed.`,
    )
  }
  if (code === 'SQLITE_FULL') return new StartError(`The disk of ${folder} is full. Make room and start again.`)
  if (code.startsWith('SQLITE_IOERR')) {
    return new StartError(`The disk of ${folder} cannot be read or written (${(error as Error).message}).`)
  }
  if (code.startsWith('SQLITE_READONLY')) return new StartError(`The database in ${folder} cannot be written.`)
  return error
}

function openFile(folder: string): Sqlite.Database {
  try {
    const sqlite = new Sqlite(join(folder, FILE))
    sqlite.pragma(`busy_timeout = ${BUSY_TIME}`)
    sqlite.pragma('journal_mode = WAL')
    sqlite.pragma('synchronous = NORMAL')
    return sqlite
  } catch (error) {
    const known = startErrorOf(error, folder)
    if (known instanceof StartError) throw known
    throw new StartError(`The database in ${folder} cannot be opened: ${(error as Error).message}.`)
  }
}

/**
 * Opens the database of a data folder and brings it up to date. Throws `StartError` when the folder cannot be
 * written, when the database is damaged, or when a newer version has written it; it is left as it was then.
 */
export async function openDatabase(folder: string): Promise<Database> {
  prepareFolder(folder)
  const sqlite = openFile(folder)
  const db: Database = new Kysely<Tables>({ dialect: new ImmediateDialect(sqlite) })
  FILES.set(db, sqlite.name)
  try {
    await migrate(db, sqlite, folder)
  } catch (error) {
    await db.destroy()
    throw startErrorOf(error, folder)
  }
  return db
}

const ASK_AGAIN = 50

/**
 * One after the other: what a start brings up to date, and fills, is done by one process at a time. Gives what lets
 * the next one begin; the system lets go when a process is killed.
 */
export async function takeStart(folder: string, patience = 60_000): Promise<() => void> {
  const until = performance.now() + patience
  for (;;) {
    const free = takeLock(join(folder, 'starting.lock'))
    if (free) return free
    if (performance.now() > until)
      throw new StartError(`Another server has been starting in ${folder} for a long time. Stop it, and start again.`)
    await setTimeout(ASK_AGAIN)
  }
}
