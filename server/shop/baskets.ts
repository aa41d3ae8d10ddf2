import { randomBytes } from 'node:crypto'
import { parse, serialize } from 'cookie-es'
import { type Basket, countIn, merged } from '../../core/shop'
import {
  type StoredBasket,
  changeBasket,
  deleteBasket,
  endBaskets,
  readBasket,
  readBasketOf,
  writeBasket,
} from '../database/baskets'
import type { Database } from '../database/open'
import { Seal } from '../services/seal'

/**
 * Baskets lie on the server; a cookie says which, sealed, with how many things are in it: that number alone is read for
 * pages that show it, so they are kept ready by it.
 */

export const BASKET_COOKIE = 'of-basket'
const DAY = 24 * 60 * 60_000
const DAYS = 30
const COUNT = /(?:^|;\s*)of-basket=[\w-]{1,40}\.(\d{1,5})\./
const MOST_COUNT = 100

/** How many things a cookie says are in the basket, up to a hundred: nothing is looked up for it. */
export function countSaid(cookies: string | undefined): number {
  if (!cookies?.includes(BASKET_COOKIE)) return 0
  return Math.min(Number(COUNT.exec(cookies)?.[1] ?? 0), MOST_COUNT)
}

export class Baskets {
  private readonly seal: Seal

  constructor(
    private readonly db: Database,
    secret: string,
    private readonly now: () => number = Date.now,
  ) {
    this.seal = new Seal(secret, 'baskets', 22)
  }

  private since(): number {
    return this.now() - DAYS * DAY
  }

  /** Which basket cookies name; null where they name none of ours. */
  idIn(cookies: string | undefined): string | null {
    if (!cookies?.includes(BASKET_COOKIE)) return null
    const [id = '', , seal = ''] = (parse(cookies)[BASKET_COOKIE] ?? '').split('.')
    return this.seal.fits(id, seal) ? id : null
  }

  newId = (): string => randomBytes(16).toString('base64url')

  /** The cookie of a basket; `secure` where the other end keeps those that are for sealed ways alone. */
  cookie(id: string, basket: Basket, secure: boolean): string {
    const value = `${id}.${countIn(basket)}.${this.seal.of(id)}`
    const maxAge = (DAYS * DAY) / 1000
    return serialize(BASKET_COOKIE, value, { httpOnly: true, secure, sameSite: 'lax', path: '/', maxAge })
  }

  async read(cookies: string | undefined): Promise<StoredBasket | null> {
    const id = this.idIn(cookies)
    return id ? readBasket(this.db, id, this.since()) : null
  }

  change(id: string, change: (basket: Basket) => Basket): Promise<StoredBasket> {
    return changeBasket(this.db, id, this.since(), this.now(), change)
  }

  /**
   * Somebody signs in: what they had elsewhere and what they have here become one, under a new id: whoever knew the id
   * before, or planted it, reads nothing by it. Gives its cookie, if there is any.
   */
  async signIn(user: number, cookies: string | undefined, secure: boolean): Promise<string | null> {
    const [here, before] = [await this.read(cookies), await readBasketOf(this.db, user, this.since())]
    const other = before && before.id !== here?.id ? before : null
    if (!here && !other) return null
    const id = this.newId()
    const basket = here && other ? merged(here.basket, other.basket) : (here ?? other)!.basket
    const placed = here?.placed ?? null
    await writeBasket(this.db, { id, user, basket, at: this.now(), placed })
    for (const gone of [here, other]) if (gone) await deleteBasket(this.db, gone.id)
    return this.cookie(id, basket, secure)
  }

  /**
   * Somebody signs out: what they have waits for them under their account, without what they said of themselves, and
   * the browser has nothing of it. Gives the cookie that takes it away; null where there was none.
   */
  async signOut(cookies: string | undefined, secure: boolean): Promise<string | null> {
    if (!cookies?.includes(BASKET_COOKIE)) return null
    const here = await this.read(cookies)
    if (here?.user) await writeBasket(this.db, { ...here, id: this.newId(), basket: { ...here.basket, said: {} } })
    if (here) await deleteBasket(this.db, here.id)
    return serialize(BASKET_COOKIE, '', { httpOnly: true, secure, sameSite: 'lax', path: '/', maxAge: 0 })
  }

  endOld(): Promise<void> {
    return endBaskets(this.db, this.since())
  }
}
