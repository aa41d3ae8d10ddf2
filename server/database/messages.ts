import { type Transaction, sql } from 'kysely'
import type { Mail, Message, SentFile } from '../../core/forms'
import type { StoredMessage } from '../../shared/api/types'
import { dropMails, insertMails, releaseMails } from './mails'
import type { Database } from './open'
import type { Tables } from './schema'
import { readSound, soundText } from './sound'

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

/** What the mails about a message, and its files, are kept under. */
const aboutOf = (id: number): string => `message:${id}`

/**
 * Keeps a message with the mails that go out about it, all of it or nothing; one that was sent twice within moments is
 * kept once. Gives its id.
 */
export async function insertMessage(
  db: Database,
  { message, state, at, ends, digest }: NewMessage,
  since: number,
  mails: readonly Mail[] = [],
): Promise<number> {
  return db.transaction().execute(async (trx) => {
    const twice = await trx
      .selectFrom('messages')
      .select('id')
      .where('digest', '=', digest)
      .where('at', '>=', since)
      .executeTakeFirst()
    if (twice) return twice.id
    const values = { doc: soundText('message', message), form: message.form, state, at, ends, digest, note: '' }
    const { id } = await trx.insertInto('messages').values(values).returning('id').executeTakeFirstOrThrow()
    await insertMails(trx, mails, { about: aboutOf(id), at, held: state === 'held' })
    for (const { hash } of message.answers.flatMap((a) => a.files ?? []))
      await trx
        .insertInto('sent_files')
        .values({ about: aboutOf(id), hash })
        .execute()
    return id
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

/** Sets what is said; what was held because of it, and is none of a flood, is mailed. */
export async function setMessage(
  db: Database,
  id: number,
  values: Partial<Pick<StoredMessage, 'state' | 'note'>>,
  now: number,
): Promise<boolean> {
  return db.transaction().execute(async (trx) => {
    const { numUpdatedRows } = await trx.updateTable('messages').set(values).where('id', '=', id).executeTakeFirst()
    if (values.state !== undefined && values.state !== 'held') await releaseMails(trx, aboutOf(id), now)
    return numUpdatedRows === 1n
  })
}

/** Takes messages away for good, with the mails about them that are not on their way; gives how many. */
export async function deleteMessages(db: Database, ids: readonly number[]): Promise<number> {
  return db.transaction().execute(async (trx) => {
    const { numDeletedRows } = await trx
      .deleteFrom('messages')
      .where('id', 'in', [...ids])
      .executeTakeFirst()
    await dropMails(trx, ids.map(aboutOf))
    return Number(numDeletedRows)
  })
}

/** Takes away those whose time is over. */
export async function endMessages(db: Database, now: number): Promise<number> {
  const ended = await db.selectFrom('messages').select('id').where('ends', '<=', now).limit(1000).execute()
  return ended.length === 0
    ? 0
    : deleteMessages(
        db,
        ended.map((row) => row.id),
      )
}

/** The file of a message, by its hash; null where it has none such. */
export async function readSentFile(db: Db, id: number, hash: string): Promise<SentFile | null> {
  const row = await db.selectFrom('messages').selectAll().where('id', '=', id).executeTakeFirst()
  const files = (row && stored(row))?.message.answers.flatMap((a) => a.files ?? []) ?? []
  return files.find((file) => file.hash === hash) ?? null
}

/** The hashes of all files that a message has, or a mail that has yet to go; others are forgotten. */
export async function readSentFiles(db: Database): Promise<Set<string>> {
  const isWanted = sql<boolean>`(exists (select 1 from messages where 'message:' || messages.id = sent_files.about)
    or exists (select 1 from mails where mails.about = sent_files.about and mails.state in ('held', 'waiting')))`
  await db
    .deleteFrom('sent_files')
    .where(sql<boolean>`not ${isWanted}`)
    .execute()
  return new Set((await db.selectFrom('sent_files').select('hash').execute()).map((row) => row.hash))
}
