import type { Transaction } from 'kysely'
import type { DiscountCode } from '../../core/shop'
import type { Database } from './open'
import type { Tables } from './schema'
import { readSound, soundText } from './sound'

type Db = Database | Transaction<Tables>

export interface StoredCode {
  code: DiscountCode
  used: number
}

const stored = ({ code, doc, used }: { code: string; doc: string; used: number }): StoredCode | null => {
  const found = readSound<DiscountCode>('discount-code', code, doc, [])
  return found && { code: found, used }
}

export async function readCode(db: Db, code: string): Promise<StoredCode | null> {
  const row = await db.selectFrom('discount_codes').selectAll().where('code', '=', code).executeTakeFirst()
  return row ? stored(row) : null
}

export async function readCodes(db: Db): Promise<StoredCode[]> {
  const rows = await db.selectFrom('discount_codes').selectAll().orderBy('code').execute()
  return rows.flatMap((row) => stored(row) ?? [])
}

export async function writeCode(db: Db, code: DiscountCode): Promise<void> {
  const doc = soundText('discount-code', code)
  await db
    .insertInto('discount_codes')
    .values({ code: code.code, doc, used: 0 })
    .onConflict((c) => c.column('code').doUpdateSet({ doc }))
    .execute()
}

/** Takes a code away that was never used; false where there is none, or it was. */
export async function deleteUnusedCode(db: Db, code: string): Promise<boolean> {
  const { numDeletedRows } = await db
    .deleteFrom('discount_codes')
    .where('code', '=', code)
    .where('used', '=', 0)
    .executeTakeFirst()
  return numDeletedRows === 1n
}

/** Gives back one use of a code, whose order was never paid. */
export async function unuseCode(db: Db, code: string): Promise<void> {
  await db
    .updateTable('discount_codes')
    .set((e) => ({ used: e('used', '-', 1) }))
    .where('code', '=', code)
    .where('used', '>', 0)
    .execute()
}

/** Uses a code once; gives false where it was used as often as it may be. */
export async function useCode(db: Db, { code, most }: Pick<DiscountCode, 'code' | 'most'>): Promise<boolean> {
  let query = db
    .updateTable('discount_codes')
    .set((e) => ({ used: e('used', '+', 1) }))
    .where('code', '=', code)
  if (most !== null) query = query.where('used', '<', most)
  const { numUpdatedRows } = await query.executeTakeFirst()
  return numUpdatedRows === 1n
}
