import type { SubscribersAsked, Subscriber } from '../../shared/api/types'
import type { Database } from './open'

/** Who asked for a newsletter: `waiting` until they say yes in a mail, then `in` until they leave. */

/** Puts somebody on a list as waiting, unless they are on it; gives whether they are in already. */
export async function askFor(db: Database, list: string, mail: string, at: number): Promise<boolean> {
  await db
    .insertInto('subscribers')
    .values({ list, mail, state: 'waiting', at })
    .onConflict((c) => c.columns(['list', 'mail']).doUpdateSet({ at }).where('subscribers.state', '=', 'waiting'))
    .execute()
  const row = await db
    .selectFrom('subscribers')
    .select('state')
    .where('list', '=', list)
    .where('mail', '=', mail)
    .executeTakeFirst()
  return row?.state === 'in'
}

/** Somebody said yes; gives whether they were not in before. Who was never asked, or has left since, is not put on. */
export async function comeIn(db: Database, list: string, mail: string, at: number): Promise<'joined' | 'in' | 'gone'> {
  return db.transaction().execute(async (trx) => {
    const before = await trx
      .selectFrom('subscribers')
      .select('state')
      .where('list', '=', list)
      .where('mail', '=', mail)
      .executeTakeFirst()
    if (before?.state !== 'waiting') return before ? 'in' : 'gone'
    await trx
      .updateTable('subscribers')
      .set({ state: 'in', at })
      .where('list', '=', list)
      .where('mail', '=', mail)
      .execute()
    return 'joined'
  })
}

/** Whoever leaves is forgotten. */
export async function leave(db: Database, list: string, mail: string): Promise<void> {
  await db.deleteFrom('subscribers').where('list', '=', list).where('mail', '=', mail).execute()
}

export async function removeSubscribers(db: Database, ids: readonly number[]): Promise<number> {
  const { numDeletedRows } = await db
    .deleteFrom('subscribers')
    .where('id', 'in', [...ids])
    .executeTakeFirst()
  return Number(numDeletedRows)
}

/** Those who never said yes are forgotten. */
export async function endWaiting(db: Database, before: number): Promise<void> {
  await db.deleteFrom('subscribers').where('state', '=', 'waiting').where('at', '<', before).execute()
}

/** The newest first; of those before an id, on a list, with some words in their address. */
export async function readSubscribers(
  db: Database,
  { list, words, before, most }: SubscribersAsked & { most: number },
): Promise<Subscriber[]> {
  let query = db.selectFrom('subscribers').selectAll().orderBy('id', 'desc').limit(most)
  if (list !== undefined) query = query.where('list', '=', list)
  if (before !== undefined) query = query.where('id', '<', before)
  if (words) query = query.where((e) => e(e.fn<number>('instr', ['mail', e.val(words.toLowerCase())]), '>', 0))
  return (await query.execute()).map((row) => ({ ...row, state: row.state === 'in' ? 'in' : 'waiting' }))
}

export async function countSubscribers(db: Database): Promise<{ list: string; state: string; count: number }[]> {
  const rows = await db
    .selectFrom('subscribers')
    .select(['list', 'state', (e) => e.fn.countAll<number>().as('count')])
    .groupBy(['list', 'state'])
    .orderBy('list')
    .execute()
  return rows.map((row) => ({ ...row, count: Number(row.count) }))
}
