import type Sqlite from 'better-sqlite3'
import {
  CompiledQuery,
  type DatabaseConnection,
  type QueryResult,
  SqliteAdapter,
  SqliteDialect,
  SqliteDriver,
} from 'kysely'
import { setTimeout } from 'node:timers/promises'
import { withReadyStatements } from './statements'

/** For how long a transaction or a statement waits until another process has done with the file, and how often it asks. */
const PATIENCE = 8_000
const ASK_AGAIN = 15

const isBusy = (error: unknown): boolean => String((error as { code?: unknown } | null)?.code ?? '') === 'SQLITE_BUSY'

/** Does what asks the file for writing; where another process has it, asks again, and answers others meanwhile. */
async function patiently<T>(ask: () => Promise<T>): Promise<T> {
  const until = performance.now() + PATIENCE
  for (;;) {
    try {
      return await ask()
    } catch (error) {
      if (!isBusy(error) || performance.now() > until) throw error
    }
    await setTimeout(ASK_AGAIN)
  }
}

/** A connection whose statements wait for their turn, outside of transactions too. */
class PatientConnection implements DatabaseConnection {
  constructor(private readonly connection: DatabaseConnection) {}

  executeQuery<R>(query: CompiledQuery): Promise<QueryResult<R>> {
    return patiently(async () => this.connection.executeQuery<R>(query))
  }

  streamQuery<R>(query: CompiledQuery, chunkSize?: number): AsyncIterableIterator<QueryResult<R>> {
    return this.connection.streamQuery(query, chunkSize)
  }
}

/**
 * Transactions that take the file for writing from their beginning, so that what one reads is what it writes upon,
 * whichever process else writes.
 */
class ImmediateDriver extends SqliteDriver {
  constructor(private readonly sqlite: Sqlite.Database) {
    super({ database: withReadyStatements(sqlite) as Sqlite.Database })
  }

  override async init(): Promise<void> {
    await super.init()
    this.sqlite.pragma('busy_timeout = 0')
  }

  override async acquireConnection(): Promise<DatabaseConnection> {
    return new PatientConnection(await super.acquireConnection())
  }

  override async beginTransaction(connection: DatabaseConnection): Promise<void> {
    await connection.executeQuery(CompiledQuery.raw('begin immediate'))
  }
}

/** SQLite can change tables within a transaction, so that migrations are done whole or not at all. */
class TransactionalAdapter extends SqliteAdapter {
  override get supportsTransactionalDdl(): boolean {
    return true
  }
}

export class ImmediateDialect extends SqliteDialect {
  constructor(private readonly sqlite: Sqlite.Database) {
    super({ database: sqlite })
  }

  override createAdapter(): SqliteAdapter {
    return new TransactionalAdapter()
  }

  override createDriver(): SqliteDriver {
    return new ImmediateDriver(this.sqlite)
  }
}
