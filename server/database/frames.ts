import type { Transaction } from 'kysely'
import type { DisplayRule } from '../../core/design'
import type { SiteStyle } from '../../core/styles'
import type { Spoilt } from '../../core/documents'
import type { Database } from './open'
import type { Tables } from './schema'
import { readSound, storedAll } from './sound'

type Db = Database | Transaction<Tables>

export interface StoredFrame {
  frame: DisplayRule
  revision: number
  removed: boolean
}

type Row = { id: string; doc: string; revision: number; removed: number }

function stored(row: Row, spoilt: Spoilt[]): StoredFrame | null {
  const frame = readSound<DisplayRule>('frame', row.id, row.doc, spoilt)
  return frame && { frame, revision: row.revision, removed: row.removed === 1 }
}

/** Frames that are there, or those that were removed; what is spoilt is left out, and told. */
export async function readFrames(db: Db, spoilt: Spoilt[], removed = false): Promise<StoredFrame[]> {
  const rows = await db.selectFrom('frames').select('id').where('removed', '=', Number(removed)).orderBy('id').execute()
  const ids = rows.map((row) => row.id)
  const some = (ids: string[]) => db.selectFrom('frames').selectAll().where('id', 'in', ids).orderBy('id').execute()
  return storedAll(ids, some, (row) => stored(row, spoilt))
}

/** A frame, removed or not. */
export async function readFrame(db: Db, id: string): Promise<StoredFrame | null> {
  const row = await db.selectFrom('frames').selectAll().where('id', '=', id).executeTakeFirst()
  return row ? stored(row, []) : null
}

/** Writes a frame at a revision; the caller has made sure that it follows the one before. */
export async function writeFrame(db: Db, next: StoredFrame, by: string): Promise<void> {
  const { frame, revision, removed } = next
  const values = {
    revision,
    doc: JSON.stringify(frame),
    changed_at: Date.now(),
    changed_by: by,
    removed: Number(removed),
  }
  await db
    .insertInto('frames')
    .values({ id: frame.id, ...values })
    .onConflict((c) => c.column('id').doUpdateSet(values))
    .execute()
}

export async function readHouse(
  db: Db,
  spoilt: Spoilt[] = [],
): Promise<{ house: SiteStyle | null; revision: number } | null> {
  const row = await db.selectFrom('house').selectAll().executeTakeFirst()
  return row ? { house: readSound<SiteStyle>('house', 'house', row.doc, spoilt), revision: row.revision } : null
}

/** Removed frames are gone for good. Gives how many. */
export async function clearFrames(db: Db): Promise<number> {
  const { numDeletedRows } = await db.deleteFrom('frames').where('removed', '=', 1).executeTakeFirstOrThrow()
  return Number(numDeletedRows)
}

export async function writeHouse(db: Db, house: SiteStyle, revision: number): Promise<void> {
  const values = { revision, doc: JSON.stringify(house) }
  await db
    .insertInto('house')
    .values({ id: 1, ...values })
    .onConflict((c) => c.column('id').doUpdateSet(values))
    .execute()
}
