import type { Transaction } from 'kysely'
import type { Database } from './open'
import type { Tables } from './schema'
import { type StoredUser, findUser } from './users'

type Db = Database | Transaction<Tables>

export async function insertSession(db: Db, tokenHash: string, user: number, at: number): Promise<void> {
  await db.insertInto('sessions').values({ token_hash: tokenHash, user, begun_at: at, seen_at: at }).execute()
}

/** Whoever a session belongs to that was seen after a moment, and when it was; null when there is none such. */
export async function readSession(
  db: Database,
  tokenHash: string,
  after: number,
): Promise<{ user: StoredUser; seenAt: number } | null> {
  const row = await db
    .selectFrom('sessions')
    .select(['user', 'seen_at'])
    .where('token_hash', '=', tokenHash)
    .where('seen_at', '>', after)
    .executeTakeFirst()
  const user = row && (await findUser(db, row.user))
  return user ? { user, seenAt: row.seen_at } : null
}

/** Notes that a session was seen. */
export async function noteSession(db: Db, tokenHash: string, at: number): Promise<void> {
  await db.updateTable('sessions').set({ seen_at: at }).where('token_hash', '=', tokenHash).execute()
}

export async function deleteSession(db: Db, tokenHash: string): Promise<void> {
  await db.deleteFrom('sessions').where('token_hash', '=', tokenHash).execute()
}

/** Ends all sessions, or those of one user; one of them may stay. */
export async function deleteSessions(db: Db, user?: number, but?: string): Promise<void> {
  let query = db.deleteFrom('sessions')
  if (user !== undefined) query = query.where('user', '=', user)
  if (but !== undefined) query = query.where('token_hash', '!=', but)
  await query.execute()
}

export async function deleteSessionsBefore(db: Db, at: number): Promise<void> {
  await db.deleteFrom('sessions').where('seen_at', '<=', at).execute()
}

/** How many sessions that were seen after a moment each user has. */
export async function countSessions(db: Db, after: number): Promise<Map<number, number>> {
  const rows = await db
    .selectFrom('sessions')
    .select(['user', (e) => e.fn.countAll<number>().as('sessions')])
    .where('seen_at', '>', after)
    .groupBy('user')
    .execute()
  return new Map(rows.map((r) => [r.user, r.sessions]))
}
