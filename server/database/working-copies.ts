import type { Transaction } from 'kysely'
import type { Entry, Id } from '../../core/model'
import type { Database } from './open'
import type { Tables } from './schema'
import { readSound } from './sound'

type Db = Database | Transaction<Tables>

/** An entry as somebody is writing it, on top of the revision it was begun on. */
export interface WorkingCopy {
  entry: Entry
  revision: number
  /** Milliseconds since 1970. */
  at: number
}

/** What somebody is writing in an entry; null when nothing, or when it cannot be read. */
export async function readWorkingCopy(db: Db, id: Id, user: number): Promise<WorkingCopy | null> {
  const row = await db
    .selectFrom('working_copies')
    .selectAll()
    .where('entry', '=', id)
    .where('user', '=', user)
    .executeTakeFirst()
  const entry = row ? readSound<Entry>('working-copy', id, row.doc, []) : null
  return row && entry ? { entry, revision: row.revision, at: row.at } : null
}

export async function writeWorkingCopy(db: Db, user: number, { entry, revision, at }: WorkingCopy): Promise<void> {
  const values = { doc: JSON.stringify(entry), revision, at }
  await db
    .insertInto('working_copies')
    .values({ entry: entry.id, user, ...values })
    .onConflict((c) => c.columns(['entry', 'user']).doUpdateSet(values))
    .execute()
}

export async function dropWorkingCopy(db: Db, id: Id, user: number): Promise<void> {
  await db.deleteFrom('working_copies').where('entry', '=', id).where('user', '=', user).execute()
}

/** The entries in which somebody is writing. */
export async function readWorkedOn(db: Db, user: number): Promise<Id[]> {
  const rows = await db.selectFrom('working_copies').select('entry').where('user', '=', user).execute()
  return rows.map((r) => r.entry)
}
