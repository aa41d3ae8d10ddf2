import type { Transaction } from 'kysely'
import type { Mail, MailServer } from '../../core/forms'
import type { MailStanding as StoredMail } from '../../shared/api/types'

import type { Database } from './open'
import type { Tables } from './schema'
import { readSound, soundText } from './sound'

type Db = Database | Transaction<Tables>

export type { StoredMail }
export type MailState = StoredMail['state']
/** Held until somebody says that it is none of a flood; waiting to be sent; sent; or given up. */
export const MAIL_STATES: readonly MailState[] = ['held', 'waiting', 'sent', 'failed']

type Row = Omit<StoredMail, 'state' | 'mail'> & { state: string; doc: string }

/** One that cannot be read is given up, and told in the log. */
function stored({ doc, state, ...row }: Row): StoredMail | null {
  const mail = readSound<Mail>('mail', String(row.id), doc, [])
  return mail && { ...row, state: MAIL_STATES.find((s) => s === state) ?? 'failed', mail }
}

export async function insertMails(
  db: Db,
  mails: readonly Mail[],
  { about, at, held = false }: { about: string; at: number; held?: boolean },
): Promise<void> {
  if (mails.length === 0) return
  const state = held ? 'held' : 'waiting'
  const rows = mails.map((mail) => ({ about, state, at, then: at, tries: 0, why: '', doc: soundText('mail', mail) }))
  await db.insertInto('mails').values(rows).execute()
}

const COLUMNS = ['id', 'about', 'state', 'at', 'then', 'tries', 'why', 'doc'] as const

/**
 * Takes those that are to be tried, the longest due first, for whoever asks: nobody else is given them until `until`, by
 * which they are tried again if nothing was heard of them. One that cannot be read is given up.
 */
export async function claimDueMails(db: Db, now: number, until: number, most: number): Promise<StoredMail[]> {
  const due = db
    .selectFrom('mails')
    .select('id')
    .where('state', '=', 'waiting')
    .where('then', '<=', now)
    .orderBy('then')
    .orderBy('id')
    .limit(most)
  const rows = await db.updateTable('mails').set({ then: until }).where('id', 'in', due).returning(COLUMNS).execute()
  rows.sort((a, b) => a.id - b.id)
  const found: StoredMail[] = []
  for (const row of rows) {
    const mail = stored(row)
    if (mail) found.push(mail)
    else await setMail(db, row.id, { state: 'failed', then: now, why: 'What is kept of it cannot be read.' })
  }
  return found
}

export async function setMail(
  db: Db,
  id: number,
  values: Partial<Pick<StoredMail, 'state' | 'then' | 'tries' | 'why'>>,
): Promise<void> {
  await db.updateTable('mails').set(values).where('id', '=', id).execute()
}

/** The newest mails in a state, those before an id where one is given. */
export async function readMails(
  db: Db,
  { state, about, before, most }: { state?: MailState; about?: string; before?: number; most: number },
): Promise<StoredMail[]> {
  let query = db.selectFrom('mails').select(COLUMNS).orderBy('id', 'desc').limit(most)
  if (state) query = query.where('state', '=', state)
  if (about !== undefined) query = query.where('about', '=', about)
  if (before !== undefined) query = query.where('id', '<', before)
  return (await query.execute()).flatMap((row) => stored(row) ?? [])
}

export async function countMails(db: Db): Promise<Record<MailState, number>> {
  const rows = await db
    .selectFrom('mails')
    .select(['state', (e) => e.fn.countAll<number>().as('count')])
    .groupBy('state')
    .execute()
  const counts = { held: 0, waiting: 0, sent: 0, failed: 0 }
  for (const { state, count } of rows) if (Object.hasOwn(counts, state)) counts[state as MailState] = Number(count)
  return counts
}

/** Has mails tried at once: those that wait, and those that were given up. Gives how many. */
export async function retryMails(db: Db, ids: readonly number[], now: number): Promise<number> {
  const { numUpdatedRows } = await db
    .updateTable('mails')
    .set({ state: 'waiting', then: now, at: now })
    .where('id', 'in', [...ids])
    .where('state', 'in', ['waiting', 'failed'])
    .executeTakeFirst()
  return Number(numUpdatedRows)
}

/** Has all that wait tried at once. */
export async function hurryMails(db: Db, now: number): Promise<void> {
  await db.updateTable('mails').set({ then: now }).where('state', '=', 'waiting').execute()
}

export async function deleteMails(db: Db, ids: readonly number[]): Promise<number> {
  const { numDeletedRows } = await db
    .deleteFrom('mails')
    .where('id', 'in', [...ids])
    .executeTakeFirst()
  return Number(numDeletedRows)
}

/** What was held about something is sent after all. */
export async function releaseMails(db: Db, about: string, now: number): Promise<void> {
  await db
    .updateTable('mails')
    .set({ state: 'waiting', then: now, at: now })
    .where('about', '=', about)
    .where('state', '=', 'held')
    .execute()
}

/** Takes away what there is about things that are gone; what is on its way still goes. */
export async function dropMails(db: Db, about: readonly string[]): Promise<void> {
  await db
    .deleteFrom('mails')
    .where('about', 'in', [...about])
    .where('state', '!=', 'waiting')
    .execute()
}

/** Takes away those that were sent, or given up, before a moment. */
export async function endMails(db: Db, before: number): Promise<void> {
  await db.deleteFrom('mails').where('state', 'in', ['sent', 'failed']).where('then', '<', before).execute()
}

export interface KeptMailServer {
  server: MailServer
  /** Sealed; empty where none is needed. */
  password: string
}

/** What the owner set; null where nothing is, or what there is cannot be read. */
export async function readMailServer(db: Db): Promise<KeptMailServer | null> {
  const row = await db.selectFrom('mail_server').selectAll().executeTakeFirst()
  const server = row && readSound<MailServer>('mail-server', '1', row.doc, [])
  return server ? { server, password: row.password } : null
}

export async function writeMailServer(db: Database, kept: KeptMailServer | null): Promise<void> {
  await db.transaction().execute(async (trx) => {
    await trx.deleteFrom('mail_server').execute()
    if (!kept) return
    const { server, password } = kept
    await trx
      .insertInto('mail_server')
      .values({ id: 1, doc: soundText('mail-server', server), password })
      .execute()
  })
}
