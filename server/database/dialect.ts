import type Sqlite from 'better-sqlite3'
import { CompiledQuery, type DatabaseConnection, SqliteDialect, SqliteDriver } from 'kysely'
import { setTimeout } from 'node:timers/promises'

/** For how long a transaction waits until another process has done with the file, and how often it asks. */
const PATIENCE = 8_000
const ASK_AGAIN = 15
/** For how long a single statement outside any transaction waits; nobody is answered meanwhile. */
export const BUSY_TIME = 1_000

const isBusy = (error: unknown): boolean => String((error as { code?: unknown } | null)?.code ?? '') === 'SQLITE_BUSY'

/**
 * Transactions that take the file for writing from their beginning, so that what one reads is what it writes upon,
 * whichever process else writes. Where another has it, this one waits, and answers others while it does.
 */
class ImmediateDriver extends SqliteDriver {
  constructor(private readonly sqlite: Sqlite.Database) {
    super({ database: sqlite })
  }

  override async beginTransaction(connection: DatabaseConnection): Promise<void> {
    const until = performance.now() + PATIENCE
    for (;;) {
      try {
        this.sqlite.pragma('busy_timeout = 0')
        await connection.executeQuery(CompiledQuery.raw('begin immediate'))
        return
      } catch (error) {
        if (!isBusy(error) || performance.now() > until) throw error
      } finally {
        this.sqlite.pragma(`busy_timeout = ${BUSY_TIME}`)
      }
      await setTimeout(ASK_AGAIN)
    }
  }
}

export class ImmediateDialect extends SqliteDialect {
  constructor(private readonly sqlite: Sqlite.Database) {
    super({ database: sqlite })
  }

  override createDriver(): SqliteDriver {
    return new ImmediateDriver(this.sqlite)
  }
}
