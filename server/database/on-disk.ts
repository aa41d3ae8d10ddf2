import { type FileHandle, open } from 'node:fs/promises'
import { type Database, fileOf } from './open'

/**
 * What was committed lies in the write-ahead log, and is on the disk once that file was synced. SQLite does so at every
 * commit with `synchronous = FULL`, while everything else waits; here it is done beside the event loop, once for all
 * that were committed meanwhile, before anybody is told that something was kept.
 */
class Log {
  private handle: Promise<FileHandle> | null = null
  private current: Promise<void> | null = null
  private next: Promise<void> | null = null

  constructor(private readonly file: string) {}

  /** Resolves once everything committed before the call is on the disk. */
  sync(): Promise<void> {
    if (!this.current) return (this.current = this.begin())
    // One that runs already may have begun before the caller's commit.
    this.next ??= this.current
      .catch(() => undefined)
      .then(() => {
        this.next = null
        return (this.current = this.begin())
      })
    return this.next
  }

  private async begin(): Promise<void> {
    try {
      const handle = await (this.handle ??= open(this.file, 'r+'))
      await handle.datasync()
    } catch (error) {
      this.handle = null
      // The log is gone only where it was written into the database, and synced by SQLite.
      if ((error as NodeJS.ErrnoException).code !== 'ENOENT') throw error
    } finally {
      if (this.next === null) this.current = null
    }
  }

  async close(): Promise<void> {
    await (await this.handle?.catch(() => null))?.close()
    this.handle = null
  }
}

const LOGS = new WeakMap<Database, Log>()

function logOf(db: Database): Log {
  let log = LOGS.get(db)
  if (!log) LOGS.set(db, (log = new Log(`${fileOf(db)}-wal`)))
  return log
}

/** Waits until everything that was committed so far outlives a loss of power. */
export const onDisk = (db: Database): Promise<void> => logOf(db).sync()

/** Lets go of the file that was synced, before the database is closed. */
export const closeLog = async (db: Database): Promise<void> => LOGS.get(db)?.close()
