import type { Transaction } from 'kysely'
import { type Basket, EMPTY_BASKET } from '../../core/shop'
import type { Database } from './open'
import type { Tables } from './schema'
import { readSound, soundText } from './sound'

type Db = Database | Transaction<Tables>

export interface StoredBasket {
  id: string
  user: number | null
  basket: Basket
  at: number
  /** The order that it became last. */
  placed: number | null
}

/** One that cannot be read is an empty one, and told in the log. */
const stored = ({ doc, ...row }: Omit<StoredBasket, 'basket'> & { doc: string }): StoredBasket => ({
  ...row,
  basket: readSound<Basket>('basket', row.id, doc, []) ?? EMPTY_BASKET,
})

/** A basket that was touched since a moment; null where there is none. */
export async function readBasket(db: Db, id: string, since: number): Promise<StoredBasket | null> {
  const row = await db
    .selectFrom('baskets')
    .selectAll()
    .where('id', '=', id)
    .where('at', '>=', since)
    .executeTakeFirst()
  return row ? stored(row) : null
}

/** The basket that somebody who signs in had last. */
export async function readBasketOf(db: Db, user: number, since: number): Promise<StoredBasket | null> {
  const row = await db
    .selectFrom('baskets')
    .selectAll()
    .where('user', '=', user)
    .where('at', '>=', since)
    .orderBy('at', 'desc')
    .executeTakeFirst()
  return row ? stored(row) : null
}

export async function writeBasket(db: Db, { id, user, basket, at, placed }: StoredBasket): Promise<void> {
  const values = { user, doc: soundText('basket', basket), at, placed }
  await db
    .insertInto('baskets')
    .values({ id, ...values })
    .onConflict((c) => c.column('id').doUpdateSet(values))
    .execute()
}

/** Reads a basket and writes what is made of it, in one step; gives what stands then. */
export async function changeBasket(
  db: Database,
  id: string,
  since: number,
  now: number,
  change: (basket: Basket) => Basket,
): Promise<StoredBasket> {
  return db.transaction().execute(async (trx) => {
    const had = (await readBasket(trx, id, since)) ?? { id, user: null, basket: EMPTY_BASKET, at: now, placed: null }
    const next = { ...had, basket: change(had.basket), at: now }
    await writeBasket(trx, next)
    return next
  })
}

export async function deleteBasket(db: Db, id: string): Promise<void> {
  await db.deleteFrom('baskets').where('id', '=', id).execute()
}

/** Takes away those that nobody touched since a moment. */
export async function endBaskets(db: Db, before: number): Promise<void> {
  await db.deleteFrom('baskets').where('at', '<', before).execute()
}
