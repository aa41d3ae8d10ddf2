import type Sqlite from 'better-sqlite3'
import { LRUCache } from 'lru-cache'

/** Statements kept ready at most; as good as all that the server ever asks. */
const MOST_KEPT = 300
/** Longer ones name many things, and hardly come twice. */
const LONGEST = 2000
const CHANGES_TABLES = /^\s*(create|alter|drop|pragma|vacuum|attach)\b/i

/**
 * The same database, which makes each statement ready once and not at every use: that takes as long as running a
 * small one. Statements are run to their end; none is read row by row.
 */
export function withReadyStatements(sqlite: Sqlite.Database): Pick<Sqlite.Database, 'prepare' | 'close'> {
  const kept = new LRUCache<string, Sqlite.Statement>({ max: MOST_KEPT })
  const prepare = (source: string): Sqlite.Statement => {
    if (CHANGES_TABLES.test(source)) kept.clear()
    else if (source.length <= LONGEST) {
      const there = kept.get(source)
      if (there) return there
      const made = sqlite.prepare(source)
      kept.set(source, made)
      return made
    }
    return sqlite.prepare(source)
  }
  return { prepare: prepare as Sqlite.Database['prepare'], close: () => sqlite.close() }
}
