import type { Edit, Layout, LogRecord } from '../../core/layouts'
import type { Database } from './open'
import type { Transaction } from 'kysely'
import type { Tables } from './schema'

type Db = Database | Transaction<Tables>

export interface StoredLayout {
  layout: Layout
  revision: number
  /** Counts up in order of creation; layouts keep their tint on the Map by it. */
  created: number
  changedAt: number
  changedBy: string
}

type Row = { doc: string; revision: number; created: number; changed_at: number; changed_by: string }

const stored = (row: Row): StoredLayout => ({
  layout: JSON.parse(row.doc) as Layout,
  revision: row.revision,
  created: row.created,
  changedAt: row.changed_at,
  changedBy: row.changed_by,
})

export async function readLayouts(db: Db): Promise<StoredLayout[]> {
  const rows = await db.selectFrom('layouts').selectAll().where('removed', '=', 0).orderBy('created').execute()
  return rows.map(stored)
}

export async function readLayout(db: Db, id: string): Promise<StoredLayout | null> {
  const row = await db
    .selectFrom('layouts')
    .selectAll()
    .where('id', '=', id)
    .where('removed', '=', 0)
    .executeTakeFirst()
  return row ? stored(row) : null
}

/** Stores a new layout; its place in the order of creation is the next one. */
export async function insertLayout(db: Db, layout: Layout, by: string): Promise<StoredLayout> {
  const last = await db
    .selectFrom('layouts')
    .select((e) => e.fn.max('created').as('created'))
    .executeTakeFirst()
  const created = (last?.created ?? -1) + 1
  const at = Date.now()
  await db
    .insertInto('layouts')
    .values({
      id: layout.id,
      created,
      revision: 1,
      doc: JSON.stringify(layout),
      changed_at: at,
      changed_by: by,
      removed: 0,
    })
    .execute()
  return { layout, revision: 1, created, changedAt: at, changedBy: by }
}

export async function layoutExists(db: Db, id: string): Promise<boolean> {
  return (await db.selectFrom('layouts').select('id').where('id', '=', id).executeTakeFirst()) !== undefined
}

export async function setLayoutRemoved(db: Db, id: string, removed: boolean, by: string): Promise<boolean> {
  const result = await db
    .updateTable('layouts')
    .set({ removed: Number(removed), changed_at: Date.now(), changed_by: by })
    .where('id', '=', id)
    .where('removed', '=', Number(!removed))
    .executeTakeFirst()
  return result.numUpdatedRows === 1n
}

/** Stores a layout with the edits that led to it. Done inside the transaction that read it. */
export async function appendEdits(db: Db, layout: Layout, records: readonly LogRecord[], by: string): Promise<void> {
  const last = records.at(-1)!
  await db
    .insertInto('layout_edits')
    .values(
      records.map((r) => ({
        layout: layout.id,
        revision: r.revision,
        id: r.id,
        does: r.does,
        of: r.of ?? null,
        edit: JSON.stringify(r.edit),
        inverse: JSON.stringify(r.inverse),
        at: r.at,
        by,
      })),
    )
    .execute()
  await db
    .updateTable('layouts')
    .set({ doc: JSON.stringify(layout), revision: last.revision, changed_at: last.at, changed_by: by })
    .where('id', '=', layout.id)
    .execute()
}

/** The edits after a revision, oldest first; with `most`, only the latest of them. */
export async function readEdits(db: Db, layout: string, after: number, most = 1000): Promise<LogRecord[]> {
  const rows = await db
    .selectFrom('layout_edits')
    .selectAll()
    .where('layout', '=', layout)
    .where('revision', '>', after)
    .orderBy('revision', 'desc')
    .limit(most)
    .execute()
  return rows.reverse().map((r) => ({
    revision: r.revision,
    id: r.id,
    does: r.does as LogRecord['does'],
    ...(r.of !== null && { of: r.of }),
    edit: JSON.parse(r.edit) as Edit,
    inverse: JSON.parse(r.inverse) as Edit,
    at: r.at,
  }))
}
