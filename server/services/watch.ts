import { sql } from 'kysely'
import type { Database } from '../database/open'
import { log } from './log'

/** How often another process is asked after; what it stores is served within a second. */
const EVERY = 300

interface Following {
  contentStands(version: number): boolean
  releaseStands(number: number): boolean
  /** Takes over a change of content, or a release, that another process has stored. */
  content(): Promise<void>
  release(): Promise<void>
  /** Takes over what others have sold, by the newest line of what happened to orders. */
  orders(newest: number): Promise<void>
}

/**
 * Watches for what other processes store in the same database. SQLite counts what other connections have written, so
 * that asking costs next to nothing while nobody writes.
 */
export function watchOthers(db: Database, following: Following): { end(): Promise<void> } {
  let seen = -1
  let running: Promise<void> = Promise.resolve()
  let ended = false

  async function look(): Promise<void> {
    const { rows } = await sql<{ data_version: number }>`pragma data_version`.execute(db)
    const version = rows[0]!.data_version
    if (version === seen) return
    const site = await db.selectFrom('site').select('content_version').executeTakeFirst()
    const release = await db
      .selectFrom('releases')
      .select((e) => e.fn.max('number').as('number'))
      .executeTakeFirst()
    if (site && !following.contentStands(site.content_version)) await following.content()
    if (!following.releaseStands(release?.number ?? 0)) await following.release()
    const story = await sql<{ newest: number | null }>`select max(rowid) as newest from order_story`.execute(db)
    await following.orders(story.rows[0]?.newest ?? 0)
    // Only now: what could not be taken over is tried again.
    seen = version
  }

  function lookSoon(): void {
    if (ended) return
    running = look().catch((error: unknown) => {
      log('error', 'not-followed', { error: String((error as Error)?.stack ?? error) })
    })
    void running.then(() => {
      if (!ended) timer = setTimeout(lookSoon, EVERY).unref()
    })
  }
  let timer = setTimeout(lookSoon, EVERY).unref()

  return {
    async end() {
      ended = true
      clearTimeout(timer)
      await running
    },
  }
}
