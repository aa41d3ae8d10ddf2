import type { Spoilt } from '../../core/documents'
import { type LayoutDocument, isVariation } from '../../core/tree'
import type { Database } from './open'
import type { Transaction } from 'kysely'
import type { Tables } from './schema'
import { readSound, storedAll } from './sound'

type Db = Database | Transaction<Tables>

export interface StoredLayout {
  layout: LayoutDocument
  revision: number
  /** Counts up in order of creation; layouts keep their tint on the Map by it. */
  created: number
  changedAt: number
  changedBy: string
}

type Row = { id: string; doc: string; revision: number; created: number; changed_at: number; changed_by: string }

function stored(row: Row, spoilt: Spoilt[]): StoredLayout | null {
  const layout = readSound<LayoutDocument>('layout', row.id, row.doc, spoilt)
  const { revision, created, changed_at: changedAt, changed_by: changedBy } = row
  return layout && { layout, revision, created, changedAt, changedBy }
}

const baseOf = (layout: LayoutDocument): string | null => (isVariation(layout) ? layout.follows.base : null)

/** Layouts that are there, or those that were removed; what is spoilt is left out, and told. */
export async function readLayouts(db: Db, spoilt: Spoilt[], removed = false): Promise<StoredLayout[]> {
  const rows = await db
    .selectFrom('layouts')
    .select('id')
    .where('removed', '=', Number(removed))
    .orderBy('created')
    .execute()
  const ids = rows.map((row) => row.id)
  const some = (ids: string[]) =>
    db.selectFrom('layouts').selectAll().where('id', 'in', ids).orderBy('created').execute()
  return storedAll(ids, some, (row) => stored(row, spoilt))
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

/** The layouts that follow one themselves, by their ids. */
export async function readFollowers(db: Db, id: string): Promise<string[]> {
  const rows = await db
    .selectFrom('layouts')
    .select('id')
    .where('base', '=', id)
    .where('removed', '=', 0)
    .orderBy('created')
    .execute()
  return rows.map((row) => row.id)
}

/** More levels are never followed, however many a file holds. */
const MOST_LEVELS = 20

/** What layouts follow, and what those do in turn, each once; what is not there is left out. */
export async function readBases(db: Db, ids: readonly string[]): Promise<LayoutDocument[]> {
  const found = new Map<string, LayoutDocument>()
  let asked = [...ids]
  for (let level = 0; asked.length > 0 && level < MOST_LEVELS; level++) {
    const states = await Promise.all(asked.map((id) => readLayout(db, id)))
    const layouts = states.flatMap((s) => (s ? [s.layout] : []))
    for (const layout of layouts) found.set(layout.id, layout)
    asked = layouts.flatMap((l) => baseOf(l) ?? []).filter((id) => !found.has(id))
  }
  return [...found.values()]
}

/** The shared pieces that are there; read by whoever asks whether one would hold itself. */
export async function readPieces(db: Db): Promise<LayoutDocument[]> {
  const rows = await db
    .selectFrom('layouts')
    .selectAll()
    .where('removed', '=', 0)
    .where('doc', 'like', '%"region":"piece"%')
    .execute()
  const layouts = rows.flatMap((row) => stored(row, [])?.layout ?? [])
  return layouts.filter((l) => l.region === 'piece')
}

/** Stores a new layout; its place in the order of creation is the next one. */
export async function insertLayout(db: Db, layout: LayoutDocument, by: string): Promise<StoredLayout> {
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
      base: baseOf(layout),
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

/** Stores a layout as edits have left it; their log is written by whoever applied them. */
export async function updateLayout(
  db: Db,
  layout: LayoutDocument,
  revision: number,
  at: number,
  by: string,
): Promise<void> {
  await db
    .updateTable('layouts')
    .set({ doc: JSON.stringify(layout), base: baseOf(layout), revision, changed_at: at, changed_by: by })
    .where('id', '=', layout.id)
    .execute()
}

/** Removed layouts are gone for good, and their edits with them. Gives how many. */
export async function clearLayouts(db: Db): Promise<number> {
  const removed = db.selectFrom('layouts').select('id').where('removed', '=', 1)
  await db.deleteFrom('document_edits').where('kind', '=', 'layout').where('document', 'in', removed).execute()
  const { numDeletedRows } = await db.deleteFrom('layouts').where('removed', '=', 1).executeTakeFirstOrThrow()
  return Number(numDeletedRows)
}
