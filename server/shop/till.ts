import { randomBytes } from 'node:crypto'
import type { Asked, Notice, PaymentProvider } from './payments'
import {
  type Payment,
  type StoredOrder,
  insertPayment,
  readDueOrders,
  readOrder,
  readPayment,
  readPayments,
  setOrderUntil,
  setPayment,
} from '../database/orders'
import type { Database } from '../database/open'
import { log } from '../services/log'
import type { Orders } from './orders'

/**
 * Payments of orders: begun, heard of, asked about, given back. A notice is heard once; one that never comes is asked
 * for before an order is held no more, so nobody who paid is left without. Whatever a server was doing when it was
 * killed, the next round goes on with it.
 */

const MINUTE = 60_000
const AT_ONCE = 50

export class Till {
  constructor(
    private readonly db: Database,
    private readonly orders: Orders,
    private readonly providers: ReadonlyMap<string, PaymentProvider>,
    private readonly addresses: {
      back(order: number, at: PaymentProvider): string
      notify(at: PaymentProvider): string
    },
    private readonly now: () => number = Date.now,
  ) {}

  get ways(): readonly PaymentProvider[] {
    return [...this.providers.values()]
  }

  /** Where the buyer pays an order; null where its provider does not answer, or it has not to be paid. */
  async begin({ id, state, order }: StoredOrder, reference: string): Promise<string | null> {
    const provider = this.providers.get(order.payment)
    if (state !== 'placed' || !provider) return null
    const open = (await readPayments(this.db, id)).find((p) => p.state === 'open' && p.provider === provider.id)
    const payment = open ?? (await this.opened(id, provider.id, order.totals.total))
    const asked: Asked = {
      id: payment.id,
      amount: payment.amount,
      currency: order.totals.currency,
      reference,
      back: this.addresses.back(id, provider),
      notify: this.addresses.notify(provider),
    }
    try {
      const { page, remote } = await provider.begin(asked)
      await setPayment(this.db, payment.id, { remote })
      return page
    } catch (error) {
      log('warn', 'payment-away', { provider: provider.id, why: String((error as Error).message) })
      return null
    }
  }

  private async opened(order: number, provider: string, amount: number): Promise<Payment> {
    const id = randomBytes(12).toString('base64url')
    const payment: Payment = { id, order, provider, remote: '', amount, state: 'open', at: this.now() }
    await insertPayment(this.db, payment)
    return payment
  }

  /** Hears a notice; gives false where it is none. The same again changes nothing: its payment is settled. */
  async hear(provider: string, headers: Readonly<Record<string, string>>, body: string): Promise<boolean> {
    const notice = this.providers.get(provider)?.read(headers, body) ?? null
    if (!notice) return false
    await this.take(provider, notice)
    return true
  }

  private async take(provider: string, { payment: id, state, amount }: Notice): Promise<void> {
    const payment = await readPayment(this.db, id)
    if (!payment || payment.provider !== provider) return log('warn', 'notice-unknown', { provider })
    if (state === 'paid' && amount < payment.amount) return log('warn', 'notice-amount', { order: payment.order })
    await this.settled(payment, state)
  }

  /** Moves an order by how its payment stands. */
  private async settled(payment: Payment, state: 'paid' | 'refused'): Promise<void> {
    if (payment.state === 'refunded' || payment.state === state) return
    // The order first: killed between the two, the payment is open still, and is settled once more.
    if (state === 'paid') await this.orders.move(payment.order, 'pay', payment.provider)
    await setPayment(this.db, payment.id, { state })
  }

  /** Asks how the open payments of an order stand; gives false where a provider does not answer. */
  async ask(order: number): Promise<boolean> {
    let answered = true
    for (const payment of await readPayments(this.db, order)) {
      const provider = this.providers.get(payment.provider)
      if (payment.state !== 'open' || !payment.remote || !provider) continue
      // Only what the provider says, or does not say, is its fault.
      const state = await provider.state(payment.remote).catch(() => null)
      if (state === null) answered = false
      else if (state !== 'open') await this.settled(payment, state)
    }
    return answered
  }

  /** Gives back what was paid for an order; gives why it could not, or nothing. */
  async refund(order: number, by: string, note = ''): Promise<string> {
    const paid = (await readPayments(this.db, order)).filter((p) => p.state === 'paid')
    for (const payment of paid) {
      const provider = this.providers.get(payment.provider)
      if (!provider) return `There is no ${payment.provider} any more.`
      try {
        await provider.refund(payment.remote, payment.amount)
      } catch (error) {
        return `${provider.label} does not give it back just now (${(error as Error).message}).`
      }
      await setPayment(this.db, payment.id, { state: 'refunded' })
    }
    await this.orders.move(order, 'refund', by, note)
    return ''
  }

  private running: Promise<void> | null = null

  /** Orders whose time is over are held no more, and what is owed is given back. One round at a time. */
  round(): Promise<void> {
    this.running ??= this.runOnce().finally(() => (this.running = null))
    return this.running
  }

  private async runOnce(): Promise<void> {
    for (const { id } of await readDueOrders(this.db, 'placed', this.now(), AT_ONCE)) {
      // Nobody who paid is left without because a notice was lost.
      if (!(await this.ask(id))) {
        await setOrderUntil(this.db, id, this.now() + MINUTE)
        continue
      }
      if ((await readOrder(this.db, id))?.state === 'placed') await this.orders.move(id, 'expire', 'the clock')
    }
    for (const { id } of await readDueOrders(this.db, 'owing', this.now(), AT_ONCE)) {
      const why = await this.refund(id, 'the shop')
      if (why) await setOrderUntil(this.db, id, this.now() + MINUTE)
    }
  }

  async end(): Promise<void> {
    await this.running?.catch(() => undefined)
  }
}
