import type { Transaction } from 'kysely'
import type { Message } from '../../core/forms'
import type { StoredMessage } from '../../shared/api/types'
import type { Database } from './open'
import type { Tables } from './schema'
import { readSound } from './sound'

type Db = Database | Transaction<Tables>

export type MessageState = StoredMessage['state']
export const MESSAGE_STATES: readonly MessageState[] = ['unread', 'read', 'held']

type Row = { id: number; at: number; state: string; note: string; ends: number; doc: string }

/** One that cannot be read is left out, and told in the log. */
function stored({ doc, state, ...row }: Row): StoredMessage | null {
  const message = readSound<Message>('message', String(row.id), doc, [])
  return message && { ...row, state: MESSAGE_STATES.find((s) => s === state) ?? 'read', message }
}

export interface NewMessage {
  message: Message
  state: MessageState
  at: number
  ends: number
  /** The same words of the same form from the same place, in short. */
  digest: string
}

/** Keeps a message; one that was sent twice within moments is kept once. Gives its id. */
export async function insertMessage(
  db: Database,
  { message, state, at, ends, digest }: NewMessage,
  since: number,
): Promise<number> {
  return db.transaction().execute(async (trx) => {
    const twice = await trx
      .selectFrom('messages')
      .select('id')
      .where('digest', '=', digest)
      .where('at', '>=', since)
      .executeTakeFirst()
    if (twice) return twice.id
    const values = { doc: JSON.stringify(message), form: message.form, state, at, ends, digest, note: '' }
    return (await trx.insertInto('messages').values(values).returning('id').executeTakeFirstOrThrow()).id
  })
}

/** The newest messages; those before an id where one is given. */
export async function readMessages(
  db: Db,
  { before, state, form, most }: { before?: number; state?: MessageState; form?: string; most: number },
): Promise<StoredMessage[]> {
  let query = db.selectFrom('messages').selectAll().orderBy('id', 'desc').limit(most)
  if (before !== undefined) query = query.where('id', '<', before)
  if (state) query = query.where('state', '=', state)
  if (form !== undefined) query = query.where('form', '=', form)
  return (await query.execute()).flatMap((row) => stored(row) ?? [])
}

/** How many there are of each form in each state. */
export async function countMessages(db: Db): Promise<{ form: string; state: string; count: number }[]> {
  const rows = await db
    .selectFrom('messages')
    .select(['form', 'state', (e) => e.fn.countAll<number>().as('count')])
    .groupBy(['form', 'state'])
    .execute()
  return rows.map((row) => ({ ...row, count: Number(row.count) }))
}

/** How many were sent on each day, `days` back; days are those that `dayOf` tells of a moment. */
export async function readMoments(db: Db, since: number): Promise<number[]> {
  const rows = await db
    .selectFrom('messages')
    .select('at')
    .where('at', '>=', since)
    .where('state', '!=', 'held')
    .execute()
  return rows.map((row) => row.at)
}

export async function setMessage(
  db: Db,
  id: number,
  values: Partial<Pick<StoredMessage, 'state' | 'note'>>,
): Promise<boolean> {
  const { numUpdatedRows } = await db.updateTable('messages').set(values).where('id', '=', id).executeTakeFirst()
  return numUpdatedRows === 1n
}

/** Takes messages away for good; gives how many. */
export async function deleteMessages(db: Db, ids: readonly number[]): Promise<number> {
  const { numDeletedRows } = await db
    .deleteFrom('messages')
    .where('id', 'in', [...ids])
    .executeTakeFirst()
  return Number(numDeletedRows)
}

/** Takes away those whose time is over. */
export async function endMessages(db: Db, now: number): Promise<number> {
  const { numDeletedRows } = await db.deleteFrom('messages').where('ends', '<=', now).executeTakeFirst()
  return Number(numDeletedRows)
}
