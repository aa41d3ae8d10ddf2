import Sqlite from 'better-sqlite3'

/** What SQLite says of a file that somebody else holds. */
const isHeld = (error: unknown): boolean => String((error as { code?: unknown } | null)?.code ?? '') === 'SQLITE_BUSY'

/**
 * Holds a file that one process at a time may hold: gives what lets it go, or null while another process holds it.
 * The system lets it go when a process is killed, so nothing is held by nobody.
 */
export function takeLock(path: string): (() => void) | null {
  const lock = new Sqlite(path)
  try {
    lock.pragma('busy_timeout = 0')
    lock.exec('begin exclusive')
    return () => void lock.close()
  } catch (error) {
    lock.close()
    if (isHeld(error)) return null
    throw error
  }
}
