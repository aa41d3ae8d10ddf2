import type { Transaction } from 'kysely'
import type { Design } from '../../core/frames'
import type { Change, ReleaseNote } from '../../shared/api/types'
import type { Database } from './open'
import type { Tables } from './schema'

type Db = Database | Transaction<Tables>

type NoteRow = { number: number; note: string; changes: string; at: number; by: string }

const noteOf = ({ number, note, changes, at, by }: NoteRow): ReleaseNote => ({
  number,
  note,
  changes: JSON.parse(changes) as Change[],
  at,
  by,
})

/** The newest release with its whole design, or null before the first. */
export async function readLatestRelease(db: Db): Promise<(ReleaseNote & { design: Design }) | null> {
  const row = await db.selectFrom('releases').selectAll().orderBy('number', 'desc').limit(1).executeTakeFirst()
  return row ? { ...noteOf(row), design: JSON.parse(row.design) as Design } : null
}

/** Notes of the releases, newest first. */
export async function readReleases(db: Db, most = 100): Promise<ReleaseNote[]> {
  const rows = await db
    .selectFrom('releases')
    .select(['number', 'note', 'changes', 'at', 'by'])
    .orderBy('number', 'desc')
    .limit(most)
    .execute()
  return rows.map(noteOf)
}

export async function insertRelease(
  db: Db,
  design: Design,
  changes: Change[],
  note: string,
  by: string,
): Promise<ReleaseNote> {
  const at = Date.now()
  const row = await db
    .insertInto('releases')
    .values({ format: design.format, design: JSON.stringify(design), note, changes: JSON.stringify(changes), at, by })
    .returning('number')
    .executeTakeFirstOrThrow()
  return { number: row.number, note, changes, at, by }
}
