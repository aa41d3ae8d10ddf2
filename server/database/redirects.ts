import type { Transaction } from 'kysely'
import type { Spoilt } from '../../core/documents'
import type { Redirect } from '../../core/model'
import type { Database } from './open'
import type { Tables } from './schema'
import { readSound } from './sound'

type Db = Database | Transaction<Tables>

/** Addresses that lead elsewhere, latest first. */
export async function readRedirects(db: Db, spoilt: Spoilt[]): Promise<(Redirect & { at: number })[]> {
  const rows = await db.selectFrom('redirects').selectAll().orderBy('at', 'desc').orderBy('address').execute()
  return rows.flatMap(({ address, doc, at }) => {
    const redirect = readSound<Redirect>('redirect', address, doc, spoilt)
    return redirect?.address === address ? { ...redirect, at } : []
  })
}

/** Stores where addresses lead; what led to one of them leads on to where that leads now. */
export async function writeRedirects(db: Db, redirects: readonly Redirect[]): Promise<void> {
  const at = Date.now()
  for (const redirect of redirects) {
    const { address, to } = redirect
    const before = JSON.stringify(address)
    const shorter = { doc: JSON.stringify(redirect), at }
    await db
      .insertInto('redirects')
      .values({ address, ...shorter })
      .onConflict((c) => c.column('address').doUpdateSet(shorter))
      .execute()
    const led = await db.selectFrom('redirects').selectAll().where('doc', 'like', `%"to":${before}%`).execute()
    for (const row of led) {
      const other = readSound<Redirect>('redirect', row.address, row.doc, [])
      if (other?.to !== address) continue
      if (other.address === to) await removeRedirect(db, other.address)
      else
        await db
          .updateTable('redirects')
          .set({ doc: JSON.stringify({ ...other, to }) })
          .where('address', '=', other.address)
          .execute()
    }
  }
}

/** Gives whether there was one. */
export async function removeRedirect(db: Db, address: string): Promise<boolean> {
  const { numDeletedRows } = await db.deleteFrom('redirects').where('address', '=', address).executeTakeFirstOrThrow()
  return numDeletedRows > 0n
}
