import { PLAIN_SHOP } from '../../core/selling'
import type { SiteSettings } from '../../core/model'
import { ORDER } from '../../core/elements'
import type { Database } from '../database/open'
import { takenOf } from '../database/orders'
import type { Content, Stale } from '../services/content'
import { log } from '../services/log'
import { Baskets } from './baskets'
import { Codes } from './codes'
import { Desk } from './desk'
import { Ledger } from './ledger'
import type { Outbox } from '../mail/outbox'
import { orderMails } from './mails'
import { NOTICES } from './notices'
import { Orders } from './orders'
import type { PaymentProvider } from './payments'
import { Till } from './till'

export { type Baskets, BASKET_COOKIE } from './baskets'
export type { Desk } from './desk'
export type { Orders } from './orders'
export type { Till } from './till'

/** The shop of a site: its baskets, its orders, and how they are paid. */
export interface Shop {
  baskets: Baskets
  orders: Orders
  till: Till
  desk: Desk
  ledger: Ledger
  codes: Codes
  /** Takes over what other processes have sold or let go, where anything happened to orders since. */
  follow(newest: number): Promise<void>
  /** Orders whose time is over, money that is owed, baskets that nobody touched. */
  round(): void
  end(): Promise<void>
}

/** So long changes of stock are gathered before pages are drawn anew. */
const GATHER = 250

export interface ShopAround {
  content: Content
  providers: readonly PaymentProvider[]
  /** Pages that show what has changed are drawn anew. */
  refresh(stale: Stale): void
  outbox: Pick<Outbox, 'wake' | 'put'>
  /** Where this server is heard by providers on this machine, once it is heard. */
  heardAt(): string | null
}

export async function openShop(db: Database, secret: string, around: ShopAround): Promise<Shop> {
  const { content } = around
  const settings = (): SiteSettings => content.catalogue.site.settings
  const waiting = new Set<string>()
  let timer: NodeJS.Timeout | null = null
  const tell = async () => {
    timer = null
    const skus = [...waiting]
    waiting.clear()
    const taken = await Promise.all(skus.map(async (sku): Promise<[string, number]> => [sku, await takenOf(db, sku)]))
    around.refresh(content.followTaken(taken))
  }
  const changed = (skus: readonly string[]) => {
    for (const sku of skus) waiting.add(sku)
    timer ??= setTimeout(
      () => void tell().catch((error: unknown) => log('error', 'stock', { error: String(error) })),
      GATHER,
    )
  }
  const link = (kind: 'order-status' | 'receipt', id: number) =>
    `${content.catalogue.page(kind)?.address ?? '/'}?${ORDER}=${orders.token(id)}`
  const orders: Orders = new Orders(db, secret, {
    catalogue: () => content.catalogue,
    shop: () => settings().selling ?? PLAIN_SHOP,
    changed,
    wake: around.outbox.wake,
    address: (id) => settings().origin + link('order-status', id),
    mails: (stored, news) =>
      orderMails(stored, news, settings(), {
        number: orders.numberOf(stored.id),
        address: orders.addressOf(stored.id),
        shop: (settings().selling ?? PLAIN_SHOP).mail,
      }),
  })
  const siteFor = ({ near }: PaymentProvider): string => (near && around.heardAt()) || settings().origin
  const providers = new Map(around.providers.map((p) => [p.id, p]))
  const till = new Till(db, orders, providers, {
    back: (order, at) => siteFor(at) + link('receipt', order),
    notify: (at) => `${siteFor(at)}${NOTICES}${at.id}`,
  })
  const baskets = new Baskets(db, secret)
  const desk = new Desk(db, () => content.catalogue, baskets, orders, till)
  content.followTaken(await orders.taken())
  let told = -1
  return {
    baskets,
    orders,
    till,
    desk,
    ledger: new Ledger(db, content, orders, till, around.outbox),
    codes: new Codes(db, content),
    async follow(newest) {
      if (newest === told) return
      around.refresh(content.followAllTaken(await orders.taken()))
      told = newest
    },
    round() {
      void till.round().catch((error: unknown) => log('error', 'till-failed', { error: String(error) }))
      void orders.forgetOld().catch((error: unknown) => log('error', 'orders-not-forgotten', { error: String(error) }))
      void baskets.endOld().catch((error: unknown) => log('error', 'baskets-not-ended', { error: String(error) }))
    },
    async end() {
      if (timer) clearTimeout(timer)
      await till.end()
    },
  }
}
