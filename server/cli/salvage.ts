import { existsSync } from 'node:fs'
import { join, resolve } from 'node:path'
import Sqlite from 'better-sqlite3'
import type { Command } from 'commander'
import { copyFiles } from '../database/backup'
import { openDatabase } from '../database/open'
import { CallError, folderOf, say } from './site'

/** Saves what can be read of a damaged database into a new data folder. */

const FILE = 'outer-frame.sqlite'

/** Rows of a table as far as they can be read: in order, then, past a damaged place, from the other end. */
function* rowsOf(from: Sqlite.Database, table: string): Generator<Record<string, unknown>> {
  const seen = new Set<unknown>()
  for (const order of ['asc', 'desc']) {
    try {
      for (const row of from.prepare(`select rowid as "rowid!", * from "${table}" order by rowid ${order}`).iterate()) {
        const { 'rowid!': id, ...rest } = row as Record<string, unknown>
        if (seen.has(id)) return
        seen.add(id)
        yield rest
      }
      return
    } catch (error) {
      if (!isDamage(error)) throw error
    }
  }
}

const isDamage = (error: unknown): boolean => {
  const code = String((error as { code?: unknown } | null)?.code ?? '')
  return (
    code === 'SQLITE_ERROR' ||
    code.startsWith('SQLITE_CORRUPT') ||
    code === 'SQLITE_NOTADB' ||
    code.startsWith('SQLITE_IOERR')
  )
}

function copyTable(from: Sqlite.Database, to: Sqlite.Database, table: string): { saved: number; lost: number } {
  let [saved, lost] = [0, 0]
  const own = new Set((to.pragma(`table_info("${table}")`) as { name: string }[]).map((c) => c.name))
  for (const row of rowsOf(from, table)) {
    // Columns that are worked out from others are not written.
    const names = Object.keys(row).filter((name) => own.has(name))
    const columns = names.map((n) => `"${n}"`).join()
    try {
      to.prepare(`insert into "${table}" (${columns}) values (${names.map(() => '?').join()})`).run(
        ...names.map((name) => row[name]),
      )
      saved++
    } catch (error) {
      // A row that the rules of the table refuse is one that was damaged.
      if (!(error instanceof Sqlite.SqliteError)) throw error
      lost++
    }
  }
  return { saved, lost }
}

async function salvage(target: string, options: { data?: string }): Promise<void> {
  const source = folderOf(options.data)
  const folder = resolve(target)
  if (existsSync(join(folder, FILE))) throw new CallError(`There is a site in ${folder} already. Name a new folder.`)
  const db = await openDatabase(folder)
  const to = new Sqlite(join(folder, FILE))
  const from = new Sqlite(join(source, FILE), { readonly: true })
  try {
    to.pragma('foreign_keys = OFF')
    const tables = to
      .prepare(
        `select name from sqlite_master where type = 'table' and name not like 'sqlite_%' and name not like 'kysely_%'
          and name not like 'entry_words%' and name not in ('entry_facts', 'entry_lights')`,
      )
      .pluck()
      .all() as string[]
    for (const table of tables) {
      const { saved, lost } = copyTable(from, to, table)
      say(`${table.padEnd(14)}${saved} saved${lost ? `, ${lost} could not be kept` : ''}`)
    }
  } finally {
    from.close()
    to.close()
    await db.destroy()
  }
  const files = await copyFiles(source, folder)
  say(`${'files'.padEnd(14)}${files} copied, with the secrets of the site`)
  say(`What could be read stands in ${folder}. Start with --data ${folder}, and look at Checks.`)
}

export function salvageCommand(program: Command): void {
  program
    .command('salvage')
    .description('saves what can be read of a damaged database into a new data folder')
    .argument('<folder>', 'the new data folder')
    .action((folder: string, _: unknown, command: Command) => salvage(folder, command.opts()))
}
