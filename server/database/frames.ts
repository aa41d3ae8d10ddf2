import type { Transaction } from 'kysely'
import type { Frame } from '../../core/frames'
import type { HouseStyle } from '../../core/styles'
import type { Database } from './open'
import type { Tables } from './schema'

type Db = Database | Transaction<Tables>

export interface StoredFrame {
  frame: Frame
  revision: number
  removed: boolean
}

type Row = { doc: string; revision: number; removed: number }

const stored = (row: Row): StoredFrame => ({
  frame: JSON.parse(row.doc) as Frame,
  revision: row.revision,
  removed: row.removed === 1,
})

export async function readFrames(db: Db): Promise<StoredFrame[]> {
  const rows = await db.selectFrom('frames').selectAll().where('removed', '=', 0).orderBy('id').execute()
  return rows.map(stored)
}

/** A frame, removed or not. */
export async function readFrame(db: Db, id: string): Promise<StoredFrame | null> {
  const row = await db.selectFrom('frames').selectAll().where('id', '=', id).executeTakeFirst()
  return row ? stored(row) : null
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

export async function readHouse(db: Db): Promise<{ house: HouseStyle; revision: number } | null> {
  const row = await db.selectFrom('house').selectAll().executeTakeFirst()
  return row ? { house: JSON.parse(row.doc) as HouseStyle, revision: row.revision } : null
}

export async function writeHouse(db: Db, house: HouseStyle, revision: number): Promise<void> {
  const values = { revision, doc: JSON.stringify(house) }
  await db
    .insertInto('house')
    .values({ id: 1, ...values })
    .onConflict((c) => c.column('id').doUpdateSet(values))
    .execute()
}
