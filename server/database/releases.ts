import type { Transaction } from 'kysely'
import type { Spoilt } from '../../core/documents'
import type { Design } from '../../core/design'
import type { Change, ReleaseNote } from '../../shared/api/types'
import { readDesign } from './designs'
import type { Database } from './open'
import type { Tables } from './schema'

type Db = Database | Transaction<Tables>

type NoteRow = { number: number; note: string; changes: string; at: number; by: string; pages: number | null }

/** What a release changed is told to people alone; where it cannot be read there is nothing to tell. */
export function readChanges(text: string): Change[] {
  try {
    const read: unknown = JSON.parse(text)
    return Array.isArray(read) ? (read as Change[]) : []
  } catch (error) {
    if (error instanceof SyntaxError) return []
    throw error
  }
}

const noteOf = ({ number, note, changes, at, by, pages }: NoteRow): ReleaseNote => ({
  number,
  note,
  changes: readChanges(changes),
  at,
  by,
  pages,
})

/** A release as it was frozen, without what in it is spoilt. */
export interface StoredRelease extends ReleaseNote {
  /** As it is kept. */
  frozen: string
  design: Design
  spoilt: Spoilt[]
}

async function stored(db: Db, row: NoteRow & { design: string }): Promise<StoredRelease> {
  const spoilt: Spoilt[] = []
  return { ...noteOf(row), frozen: row.design, design: await readDesign(db, row.design, spoilt), spoilt }
}

/** The newest release with its whole design, or null before the first. */
export async function readLatestRelease(db: Db): Promise<StoredRelease | null> {
  const row = await db.selectFrom('releases').selectAll().orderBy('number', 'desc').limit(1).executeTakeFirst()
  return row ? stored(db, row) : null
}

/** The number of the newest release; 0 before the first. */
export async function latestNumber(db: Db): Promise<number> {
  const row = await db
    .selectFrom('releases')
    .select((e) => e.fn.max('number').as('number'))
    .executeTakeFirst()
  return row?.number ?? 0
}

/** The release before a number, or null when it is the first. */
export async function readReleaseBefore(db: Db, number: number): Promise<StoredRelease | null> {
  const row = await db
    .selectFrom('releases')
    .selectAll()
    .where('number', '<', number)
    .orderBy('number', 'desc')
    .limit(1)
    .executeTakeFirst()
  return row ? stored(db, row) : null
}

/** A release by its number, or null when there is none. */
export async function readRelease(db: Db, number: number): Promise<StoredRelease | null> {
  const row = await db.selectFrom('releases').selectAll().where('number', '=', number).executeTakeFirst()
  return row ? stored(db, row) : null
}

/** Notes of the releases, newest first. */
export async function readReleases(db: Db, most = 100): Promise<ReleaseNote[]> {
  const rows = await db
    .selectFrom('releases')
    .select(['number', 'note', 'changes', 'at', 'by', 'pages'])
    .orderBy('number', 'desc')
    .limit(most)
    .execute()
  return rows.map(noteOf)
}

/** `design` is what is kept of it; see `keepDesign`. */
export async function insertRelease(
  db: Db,
  design: string,
  changes: Change[],
  note: string,
  by: string,
  pages: number | null,
): Promise<ReleaseNote> {
  const at = Date.now()
  const row = await db
    .insertInto('releases')
    .values({
      format: 1,
      design,
      note,
      changes: JSON.stringify(changes),
      at,
      by,
      pages,
    })
    .returning('number')
    .executeTakeFirstOrThrow()
  return { number: row.number, note, changes, at, by, pages }
}
