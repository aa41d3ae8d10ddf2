import type { Spoilt } from '../../core/documents'
import type { Edit, LogRecord } from '../../core/layouts'
import type { Layout } from '../../core/tree'
import type { Database } from './open'
import type { Selectable, Transaction } from 'kysely'
import type { Tables } from './schema'
import { readSound } from './sound'

type Db = Database | Transaction<Tables>

export interface StoredLayout {
  layout: Layout
  revision: number
  /** Counts up in order of creation; layouts keep their tint on the Map by it. */
  created: number
  changedAt: number
  changedBy: string
}

type Row = { id: string; doc: string; revision: number; created: number; changed_at: number; changed_by: string }

function stored(row: Row, spoilt: Spoilt[]): StoredLayout | null {
  const layout = readSound<Layout>('layout', row.id, row.doc, spoilt)
  const { revision, created, changed_at: changedAt, changed_by: changedBy } = row
  return layout && { layout, revision, created, changedAt, changedBy }
}

/** Layouts that are there, or those that were removed; what is spoilt is left out, and told. */
export async function readLayouts(db: Db, spoilt: Spoilt[], removed = false): Promise<StoredLayout[]> {
  const rows = await db
    .selectFrom('layouts')
    .selectAll()
    .where('removed', '=', Number(removed))
    .orderBy('created')
    .execute()
  return rows.flatMap((row) => stored(row, spoilt) ?? [])
}

export async function readLayout(db: Db, id: string): Promise<StoredLayout | null> {
  const row = await db
    .selectFrom('layouts')
    .selectAll()
    .where('id', '=', id)
    .where('removed', '=', 0)
    .executeTakeFirst()
  return row ? stored(row, []) : null
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
        run: r.run ?? null,
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

/** Removed layouts are gone for good, and their edits with them. Gives how many. */
export async function clearLayouts(db: Db): Promise<number> {
  const removed = db.selectFrom('layouts').select('id').where('removed', '=', 1)
  await db.deleteFrom('layout_edits').where('layout', 'in', removed).execute()
  const { numDeletedRows } = await db.deleteFrom('layouts').where('removed', '=', 1).executeTakeFirstOrThrow()
  return Number(numDeletedRows)
}

/** Which of these edits a layout has in its log already. */
export async function editsTaken(db: Db, layout: string, ids: readonly string[]): Promise<Set<string>> {
  const rows = await db
    .selectFrom('layout_edits')
    .select('id')
    .where('layout', '=', layout)
    .where('id', 'in', [...ids])
    .execute()
  return new Set(rows.map((r) => r.id))
}

/** Edits of a layout, oldest first, and whether these are all that were asked for. */
export interface EditLog {
  records: LogRecord[]
  whole: boolean
}

/** The edits after a revision; only the latest of them where there are more than `most`. */
export async function readEdits(db: Db, layout: string, after: number, most: number): Promise<EditLog> {
  const rows = await db
    .selectFrom('layout_edits')
    .selectAll()
    .where('layout', '=', layout)
    .where('revision', '>', after)
    .orderBy('revision', 'desc')
    .limit(most + 1)
    .execute()
  const read = rows.slice(0, most).map(recordOf)
  // What stands before an edit that cannot be read leads nowhere any more.
  const gap = read.indexOf(null)
  const records = (gap < 0 ? read : read.slice(0, gap)).filter((r) => r !== null).reverse()
  return { records, whole: gap < 0 && rows.length <= most }
}

function recordOf(row: Selectable<Tables['layout_edits']>): LogRecord | null {
  const edit = readSound<Edit>('edit', row.id, row.edit, [])
  const inverse = readSound<Edit>('edit', row.id, row.inverse, [])
  if (!edit || !inverse) return null
  const { revision, id, at, of, run } = row
  const does = row.does as LogRecord['does']
  return { revision, id, does, ...(of !== null && { of }), ...(run !== null && { run }), edit, inverse, at }
}
