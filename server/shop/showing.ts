import { setTimeout } from 'node:timers/promises'
import { ORDER, askedBy, checkoutWords, labelsOf } from '../../core/elements'
import type { Scene } from '../../core/drawing'
import type { LayoutElement } from '../../core/tree'
import {
  type AskedCheckout,
  type Basket,
  type CodeProblem,
  type DiscountCode,
  EMPTY_BASKET,
  type Goods,
  type SeenLine,
  type Shopping,
  type ShownOrder,
  codeOf,
  discounts,
  goodsOf,
  looked,
  pricedOf,
  taxCountry,
  totalsOf,
  wayOf,
} from '../../core/shop'
import type { Catalogue } from '../../core/catalogue'
import { PLAIN_SHOP, type ShopSettings } from '../../core/selling'
import { clockIn, todayIn } from '../../core/time'
import { readCode } from '../database/discounts'
import type { Database } from '../database/open'
import { type StoredOrder, readOrder, readPayments } from '../database/orders'
import type { Asking } from '../services/asked'
import type { Baskets } from './baskets'
import type { Orders } from './orders'
import type { Till } from './till'

/** For how long a page waits for what a provider says of a payment, in milliseconds. */
const ASKED_FOR = 1500
/** For how long after a payment was begun its order is looked at again by itself, in milliseconds. */
const PAYING = 5 * 60_000

/** Who asks for a page of the shop, and what stands on it. */
export type About = Pick<Scene, 'catalogue' | 'request'> & { asking: Asking; elements: readonly LayoutElement[] }

/** What visitors are shown of the shop: their basket, what it comes to, what a page asks, and their orders. */
export class Showing {
  constructor(
    private readonly db: Database,
    private readonly catalogue: () => Catalogue,
    private readonly baskets: Baskets,
    private readonly orders: Orders,
    private readonly till: Till,
    private readonly now: () => number,
  ) {}

  private get shop(): ShopSettings {
    return this.catalogue().site.settings.selling ?? PLAIN_SHOP
  }

  /** Something that is sold, as it is sold just now. */
  readonly goods = (entry: string, offer: string | null): Goods | null => {
    const catalogue = this.catalogue()
    const now = clockIn(catalogue.site.settings.timeZone, this.now())
    return goodsOf(entry, offer, { catalogue, taken: catalogue.taken, now })
  }

  /** The code that somebody typed; null where it takes nothing off, and why. */
  async codeFor(typed: string): Promise<{ code: DiscountCode | null; why: CodeProblem | null }> {
    if (typed === '') return { code: null, why: null }
    const found = await readCode(this.db, codeOf(typed))
    if (!found?.code.on) return { code: null, why: 'unknown' }
    const { code, used } = found
    const today = todayIn(this.catalogue().site.settings.timeZone, this.now())
    const over = (code.from && today < code.from) || (code.until && today > code.until)
    if (over || (code.most !== null && used >= code.most)) return { code: null, why: 'over' }
    return { code, why: null }
  }

  private shown({ id, state, at, until, order }: StoredOrder): ShownOrder {
    const page = this.catalogue().page('order-status')
    const address = `${page?.address ?? '/'}?${ORDER}=${this.orders.token(id)}`
    return { number: this.orders.numberOf(id), state, at, until, order, address }
  }

  /** What a page asks of whoever buys there. */
  askedOf({ elements, catalogue }: About, lines: readonly SeenLine[]): AskedCheckout {
    const { locale } = catalogue.site.settings
    return { shop: this.shop, locale, lines, payments: this.till.ways.map((w) => w.id), ...askedBy(elements) }
  }

  /** What a visitor is shown of the shop on a page. */
  async shopping(about: About, scene: Scene): Promise<Shopping> {
    const stored = await this.baskets.read(about.asking.cookies)
    const order = await this.orderAsked(about)
    return this.shoppingOf(about, scene, stored?.basket ?? EMPTY_BASKET, order)
  }

  /**
   * The order that the address names. Where its payment is under way the provider is asked first, so that whoever comes
   * back from paying is not told that it is unpaid; one that does not answer in time is not waited for.
   */
  private async orderAsked({ request }: About): Promise<StoredOrder | null> {
    const order = await this.orders.byToken(request.parameters[ORDER]?.[0])
    if (order?.state !== 'placed') return order
    await Promise.race([this.till.ask(order.id), setTimeout(ASKED_FOR, undefined, { ref: false })])
    return readOrder(this.db, order.id)
  }

  private async isBeingPaid({ id, state }: StoredOrder): Promise<boolean> {
    if (state !== 'placed') return false
    const since = this.now() - PAYING
    return (await readPayments(this.db, id)).some((p) => p.state === 'open' && p.remote !== '' && p.at > since)
  }

  /** The same of a basket and an order in hand; `more` stands instead of what would be shown. */
  async shoppingOf(
    about: About,
    scene: Scene,
    basket: Basket,
    order: StoredOrder | null,
    more: Partial<Shopping> = {},
  ): Promise<Shopping> {
    const lines = more.lines ?? looked(basket, this.goods)
    const { currency } = this.catalogue().site.settings
    const asked = this.askedOf(about, lines)
    const found = await this.codeFor(basket.code)
    const off = found.code ? discounts(found.code, pricedOf(lines), currency) : null
    const code = off && off.why === null ? found.code : null
    const totals = totalsOf(pricedOf(lines), this.shop, {
      currency,
      country: taxCountry(asked, basket.said),
      code,
      way: wayOf(asked, basket.said),
    })
    const removed = basket.removed?.line
    const place = about.elements.find((e) => e.type === 'place-order') ?? null
    return {
      lines,
      removed: removed ? (this.catalogue().entries.get(removed.entry)?.title ?? '') : null,
      totals,
      code: basket.code,
      codeWhy: found.why ?? off?.why ?? null,
      said: basket.said,
      problems: {},
      says: null,
      labels: labelsOf(about.elements, scene),
      words: checkoutWords(place, scene),
      payments: this.till.ways.map(({ id, label, about: words }) => ({ id, label, about: words })),
      asks: asked.asks,
      tooManyCodes: false,
      order: order && { ...this.shown(order), isBeingPaid: await this.isBeingPaid(order) },
      orders: about.elements.some((e) => e.type === 'own-orders') ? await this.ordersOf(about.asking) : null,
      ...more,
    }
  }

  /** What whoever asks has ordered; null where they are not signed in. */
  private async ordersOf(asking: Asking): Promise<ShownOrder[] | null> {
    const user = await asking.session()
    return user && (await this.orders.ofUser(user.id)).map((order) => this.shown(order))
  }
}
