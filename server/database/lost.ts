import { sql } from 'kysely'
import type { Database } from './open'

/** So many addresses, searches, and origins of each address are kept; those that are asked for least go first. */
const MOST_ADDRESSES = 5000
const MOST_SEARCHES = 2000
export const MOST_ORIGINS = 8
const MOST_DAYS = 400

export type LostKind = 'page' | 'file' | 'bots' | 'search'

/** What came in since it was written last. */
export interface LostHits {
  addresses: readonly {
    address: string
    what: 'page' | 'file'
    hits: number
    bots: number
    at: number
    origins: ReadonlyMap<string, number>
  }[]
  searches: readonly { words: string; hits: number; at: number }[]
  days: readonly { day: string; what: LostKind; hits: number }[]
}

/** Adds what came in, and lets go of what is too much; `turn` lets others have theirs between two addresses. */
export async function addLost(
  db: Database,
  { addresses, searches, days }: LostHits,
  turn: () => Promise<void> | undefined,
): Promise<void> {
  await db.transaction().execute(async (trx) => {
    for (const { address, what, hits, bots, at, origins } of addresses) {
      await turn()
      await trx
        .insertInto('lost_addresses')
        .values({ address, what, hits, bots, first_at: at, last_at: at })
        .onConflict((c) =>
          c.column('address').doUpdateSet((eb) => ({
            hits: eb('lost_addresses.hits', '+', hits),
            bots: eb('lost_addresses.bots', '+', bots),
            last_at: at,
          })),
        )
        .execute()
      for (const [origin, count] of origins) {
        await trx
          .insertInto('lost_origins')
          .values({ address, origin, hits: count })
          .onConflict((c) =>
            c.columns(['address', 'origin']).doUpdateSet((eb) => ({ hits: eb('lost_origins.hits', '+', count) })),
          )
          .execute()
      }
      if (origins.size > 0)
        await sql`delete from lost_origins where address = ${address} and origin not in
          (select origin from lost_origins where address = ${address} order by hits desc limit ${MOST_ORIGINS})`.execute(
          trx,
        )
    }
    for (const { words, hits, at } of searches)
      await trx
        .insertInto('lost_searches')
        .values({ words, hits, last_at: at })
        .onConflict((c) =>
          c.column('words').doUpdateSet((eb) => ({ hits: eb('lost_searches.hits', '+', hits), last_at: at })),
        )
        .execute()
    for (const { day, what, hits } of days)
      await trx
        .insertInto('lost_days')
        .values({ day, what, hits })
        .onConflict((c) => c.columns(['day', 'what']).doUpdateSet((eb) => ({ hits: eb('lost_days.hits', '+', hits) })))
        .execute()
    const keep = (table: string, by: string, key: string, most: number) =>
      sql
        .raw(
          `delete from ${table} where ${key} in (select ${key} from ${table} order by ${by} limit -1 offset ${most})`,
        )
        .execute(trx)
    if (addresses.length > 0) await keep('lost_addresses', 'hits + bots desc, last_at desc', 'address', MOST_ADDRESSES)
    if (searches.length > 0) await keep('lost_searches', 'hits desc, last_at desc', 'words', MOST_SEARCHES)
    if (days.length > 0)
      await sql
        .raw(
          `delete from lost_days where day not in (select distinct day from lost_days order by day desc limit ${MOST_DAYS})`,
        )
        .execute(trx)
  })
}

const MOST_LISTED = 500

/** What is kept, the addresses that people ask for most first. `since` is a day. */
export async function readLost(db: Database, since: string) {
  const addresses = await db
    .selectFrom('lost_addresses')
    .selectAll()
    .orderBy('hits', 'desc')
    .orderBy('last_at', 'desc')
    .limit(MOST_LISTED)
    .execute()
  const origins = addresses.length
    ? await db
        .selectFrom('lost_origins')
        .selectAll()
        .where(
          'address',
          'in',
          addresses.map((a) => a.address),
        )
        .orderBy('hits', 'desc')
        .execute()
    : []
  const searches = await db
    .selectFrom('lost_searches')
    .selectAll()
    .orderBy('hits', 'desc')
    .orderBy('last_at', 'desc')
    .limit(MOST_LISTED)
    .execute()
  const days = await db.selectFrom('lost_days').selectAll().where('day', '>=', since).orderBy('day').execute()
  return { addresses, origins, searches, days }
}

/** Takes away what has been seen to; gives how many things that were. */
export async function forgetLost(
  db: Database,
  addresses: readonly string[],
  searches: readonly string[],
): Promise<number> {
  const gone = addresses.length
    ? await db.deleteFrom('lost_addresses').where('address', 'in', addresses).executeTakeFirst()
    : null
  const words = searches.length
    ? await db.deleteFrom('lost_searches').where('words', 'in', searches).executeTakeFirst()
    : null
  return Number(gone?.numDeletedRows ?? 0n) + Number(words?.numDeletedRows ?? 0n)
}
