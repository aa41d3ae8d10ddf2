import type { Mail } from '../../core/forms'
import {
  type Agreed,
  type Basket,
  type DiscountCode,
  type Goods,
  type Order,
  type OrderEvent,
  type OrderState,
  type SeenLine,
  HOLDS,
  goodsOf,
  looked,
  nextState,
  pricedOf,
  totalsOf,
} from '../../core/shop'
import type { Catalogue } from '../../core/catalogue'
import type { ShopSettings } from '../../core/selling'
import { clockIn } from '../../core/time'
import { readBasket, writeBasket } from '../database/baskets'
import { insertMails } from '../database/mails'
import type { Database } from '../database/open'
import {
  type StoredOrder,
  type Trx,
  forgetPerson,
  insertOrder,
  readOrder,
  readOrdersOf,
  readPersonalOrders,
  readTaken,
  setOrderState,
  takenOf,
  tellStory,
  unpaidOf,
} from '../database/orders'
import { log } from '../services/log'
import { Seal } from '../services/seal'
import type { OrderNews } from './mails'
import { unuseCode, useCode } from '../database/discounts'

/**
 * Orders: placed once, in one step with the basket that they are made of, and moved from state to state in steps of
 * their own. What is on them is held in the same step, so nothing is sold twice.
 */

const MINUTE = 60_000
const DAY = 24 * 60 * MINUTE
const AT_ONCE = 200
/** So many of a member's orders are told. */
const MOST_OF_USER = 20
/** A basket that was ordered so lately and is empty is ordered already. */
const LATELY = 30 * MINUTE

const NEWS: readonly OrderState[] = ['paid', 'sent', 'refunded', 'cancelled']
const isNews = (state: OrderState): state is OrderNews => NEWS.includes(state)

export type Placed =
  | { kind: 'placed'; order: StoredOrder; again: boolean }
  | { kind: 'empty' }
  /** Something is not as it was: how it was, and is. */
  | { kind: 'changed'; lines: readonly SeenLine[] }
  | { kind: 'code' }
  /** This visitor holds as much of something without paying as one order may have. */
  | { kind: 'held' }

export interface OrdersAround {
  catalogue(): Catalogue
  shop(): ShopSettings
  /** What of a shop's stock has changed is shown; mail is sent. */
  changed(skus: readonly string[]): void
  wake(): void
  mails(order: StoredOrder, what: OrderNews): Mail[]
  /** Where whoever ordered finds how it stands. */
  address(id: number): string
}

/** Who orders: a user where somebody is signed in, and from where. */
export interface Who {
  user: number | null
  place: string
}
const NOBODY: Who = { user: null, place: '' }

export class Orders {
  private readonly seal: Seal
  private readonly places: Seal

  constructor(
    private readonly db: Database,
    secret: string,
    private readonly around: OrdersAround,
    private readonly now: () => number = Date.now,
  ) {
    this.seal = new Seal(secret, 'orders', 22)
    this.places = new Seal(secret, 'places of orders', 22)
  }

  /** By what whoever has the link of an order asks for it. */
  token(id: number): string {
    return `${id.toString(36)}.${this.seal.of(String(id))}`
  }

  /** The order that a link names; null for one that was not made here. */
  async byToken(token: string | undefined): Promise<StoredOrder | null> {
    const [of = '', given = ''] = (token ?? '').slice(0, 80).split('.')
    const id = /^[0-9a-z]{1,9}$/.test(of) ? parseInt(of, 36) : 0
    return this.seal.fits(String(id), given) ? readOrder(this.db, id) : null
  }

  numberOf(id: number): string {
    return `${this.around.shop().prefix}${1000 + id}`
  }

  /** How goods stand, as a transaction sees them: `taken` is asked of the database, so nobody is sold what another has. */
  private async standing(trx: Trx, basket: Basket): Promise<(entry: string, offer: string | null) => Goods | null> {
    const catalogue = this.around.catalogue()
    const now = clockIn(catalogue.site.settings.timeZone, this.now())
    const taken = new Map<string, number>()
    for (const { entry, offer } of basket.lines) {
      const sku = offer === null ? entry : `${entry}/${offer}`
      taken.set(sku, await takenOf(trx, sku))
    }
    return (entry, offer) => goodsOf(entry, offer, { catalogue, now, taken: (sku) => taken.get(sku) ?? 0 })
  }

  /** Orders what is in a basket. The same basket again is the same order, however often it is pressed. */
  async place(basketId: string, agreed: Agreed, code: DiscountCode | null, who: Who = NOBODY): Promise<Placed> {
    const placed = await this.db.transaction().execute((trx) => this.placeNow(trx, basketId, agreed, code, who))
    if (placed.kind === 'placed' && !placed.again) {
      log('info', 'order-placed', { id: placed.order.id })
      this.around.changed(placed.order.order.lines.map((l) => l.sku))
    }
    return placed
  }

  private async placeNow(
    trx: Trx,
    basketId: string,
    agreed: Agreed,
    code: DiscountCode | null,
    who: Who,
  ): Promise<Placed> {
    const now = this.now()
    const stored = await readBasket(trx, basketId, 0)
    if (!stored) return { kind: 'empty' }
    if (stored.basket.lines.length === 0) {
      const before = stored.placed === null ? null : await readOrder(trx, stored.placed)
      return before && before.at > now - LATELY ? { kind: 'placed', order: before, again: true } : { kind: 'empty' }
    }
    const lines = looked(stored.basket, await this.standing(trx, stored.basket))
    if (lines.some((l) => l.changes.length > 0)) return { kind: 'changed', lines }
    const place = who.place && this.places.of(who.place)
    if (place && (await this.holdsTooMuch(trx, lines, place))) return { kind: 'held' }
    if (code && !(await useCode(trx, code))) return { kind: 'code' }
    const shop = this.around.shop()
    const order = this.written(lines, agreed, code, shop)
    const state: OrderState = 'placed'
    const until = now + shop.hold * MINUTE
    const id = await insertOrder(trx, order, { state, at: now, until, user: who.user, place })
    await tellStory(trx, id, { at: now, what: 'placed', by: 'the buyer', note: '' })
    await writeBasket(trx, {
      ...stored,
      basket: { ...stored.basket, lines: [], code: '', removed: null },
      at: now,
      placed: id,
    })
    const made = { id, state, at: now, until, order }
    // What costs nothing is paid.
    if (order.totals.total === 0) await this.moveNow(trx, made, 'pay', 'the shop', '')
    return { kind: 'placed', order: (await readOrder(trx, id))!, again: false }
  }

  /** Whether a visitor would hold more of what is scarce, without paying, than one order may have. */
  private async holdsTooMuch(trx: Trx, lines: readonly SeenLine[], place: string): Promise<boolean> {
    for (const { goods, count } of lines)
      if (goods && goods.left !== null && count + (await unpaidOf(trx, goods.sku, place)) > goods.most) return true
    return false
  }

  private written(lines: readonly SeenLine[], agreed: Agreed, code: DiscountCode | null, shop: ShopSettings): Order {
    const { currency } = this.around.catalogue().site.settings
    const { way, country, buyer, billing, delivery, note, consents, payment } = agreed
    const totals = totalsOf(pricedOf(lines), shop, { currency, country, code, way })
    return {
      format: 1,
      lines: lines.flatMap(({ goods, count }) => {
        if (!goods || count === 0) return []
        const { entry, offer, sku, title, label, each, on, delivers } = goods
        return [
          { entry, offer, sku, title: title.slice(0, 1000), label, count, each, total: each * count, on, delivers },
        ]
      }),
      totals,
      buyer,
      billing,
      delivery,
      way: way && { id: way.id, label: way.label },
      note,
      consents,
      code: code?.code ?? '',
      payment: payment || 'none',
    }
  }

  /**
   * Moves an order by what has happened; gives where it stands then, null where that moves nothing. What `also` does is
   * done in the same transaction, with what the order was and where it stands.
   */
  async move(
    id: number,
    event: OrderEvent,
    by: string,
    note = '',
    also?: (trx: Trx, stored: StoredOrder, state: OrderState | null) => Promise<void>,
  ): Promise<OrderState | null> {
    const moved = await this.db.transaction().execute(async (trx) => {
      const stored = await readOrder(trx, id)
      const state = stored && (await this.moveNow(trx, stored, event, by, note))
      if (stored) await also?.(trx, stored, state)
      return stored && state ? { stored, state } : null
    })
    if (!moved) return null
    log('info', 'order-moved', { id, event, state: moved.state })
    this.around.changed(moved.stored.order.lines.map((l) => l.sku))
    this.around.wake()
    return moved.state
  }

  private async moveNow(
    trx: Trx,
    stored: StoredOrder,
    event: OrderEvent,
    by: string,
    note: string,
  ): Promise<OrderState | null> {
    const { id, state, order } = stored
    const free = state === 'expired' && event === 'pay' ? await this.isFree(trx, order) : true
    const next = nextState(state, event, free)
    if (!next) return null
    await setOrderState(trx, id, next)
    // Only an order that holds its goods, or was paid, uses its code up.
    if (order.code && state === 'placed' && !HOLDS.has(next)) await unuseCode(trx, order.code)
    if (order.code && state === 'expired' && next === 'paid') await useCode(trx, { code: order.code, most: null })
    await tellStory(trx, id, { at: this.now(), what: next, by, note })
    if (isNews(next)) {
      const mails = this.around.mails({ ...stored, state: next }, next)
      await insertMails(trx, mails, { about: `order:${id}`, at: this.now() })
    }
    return next
  }

  /** Whether all that is on an order can still be had. */
  private async isFree(trx: Trx, { lines }: Order): Promise<boolean> {
    const catalogue = this.around.catalogue()
    for (const { entry, offer, sku, count } of lines) {
      const taken = await takenOf(trx, sku)
      // It was agreed on before its day, so the day makes no difference.
      const goods = goodsOf(entry, offer, { catalogue, now: null, taken: () => taken })
      if (!goods || (goods.left !== null && goods.left < count)) return false
    }
    return true
  }

  /** Where whoever ordered finds how it stands. */
  addressOf(id: number): string {
    return this.around.address(id)
  }

  /** What is mailed about an order as it stands; none where nothing is. */
  mailsOf(stored: StoredOrder): Mail[] {
    const { state } = stored
    return isNews(state) ? this.around.mails(stored, state) : []
  }

  /** Personal data of orders is removed once it was kept for as long as it must be; their figures stay. */
  async forgetOld(): Promise<void> {
    const before = this.now() - this.around.shop().keep * DAY
    for (const { id, order } of await readPersonalOrders(this.db, before, AT_ONCE))
      await this.db.transaction().execute((trx) => forgetPerson(trx, id, order))
  }

  /** What somebody has ordered while they were signed in, the newest first. */
  ofUser(user: number): Promise<StoredOrder[]> {
    return readOrdersOf(this.db, user, MOST_OF_USER)
  }

  /** How many of everything are held or sold. */
  taken(): Promise<[sku: string, count: number][]> {
    return readTaken(this.db)
  }
}
