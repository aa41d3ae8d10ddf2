import { randomBytes } from 'node:crypto'
import { type PaymentEvent, nextPaymentState } from '../../core/shop'
import type { Asked, Notice, PaymentProvider } from './payments'
import {
  type Payment,
  type StoredOrder,
  insertPayment,
  readDueOrders,
  readOrder,
  readPayment,
  readPayments,
  readSurplus,
  setOrderUntil,
  setPayment,
  tellStory,
  type Trx,
} from '../database/orders'
import { onDisk } from '../database/on-disk'
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

const isPaid = ({ state }: StoredOrder): boolean => state === 'paid' || state === 'sent'

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
    const payment = await this.opened(id, provider.id, order.totals.total)
    if (!payment) return null
    const asked: Asked = {
      id: payment.id,
      amount: payment.amount,
      currency: order.totals.currency,
      reference,
      back: this.addresses.back(id, provider),
      notify: this.addresses.notify(provider),
    }
    try {
      // A payment that a provider knows of is known here, whatever happens to the power.
      await onDisk(this.db)
      const { page, remote } = await provider.begin(asked)
      await setPayment(this.db, payment.id, { remote })
      return page
    } catch (error) {
      log('warn', 'payment-away', { provider: provider.id, why: String((error as Error).message) })
      return null
    }
  }

  /** The open payment of an order that waits to be paid: one, however many ask at once; null where it waits no more. */
  private opened(order: number, provider: string, amount: number): Promise<Payment | null> {
    return this.db.transaction().execute(async (trx) => {
      if ((await readOrder(trx, order))?.state !== 'placed') return null
      const open = (await readPayments(trx, order)).find((p) => p.state === 'open' && p.provider === provider)
      if (open) return open
      const id = randomBytes(12).toString('base64url')
      const payment: Payment = { id, order, provider, remote: '', amount, state: 'open', at: this.now() }
      await insertPayment(trx, payment)
      return payment
    })
  }

  /** Hears a notice; gives false where it is none. The same again changes nothing: its payment is settled. */
  async hear(provider: string, headers: Readonly<Record<string, string>>, body: string): Promise<boolean> {
    const notice = this.providers.get(provider)?.read(headers, body) ?? null
    if (!notice) return false
    await this.take(provider, notice)
    return true
  }

  private async take(provider: string, { payment: id, state, amount, currency }: Notice): Promise<void> {
    const payment = await readPayment(this.db, id)
    if (!payment || payment.provider !== provider) return log('warn', 'notice-unknown', { provider })
    const order = await readOrder(this.db, payment.order)
    const agreed = amount === payment.amount && currency === order?.order.totals.currency
    if (state === 'paid' && !agreed) return this.notAgreed(payment, amount, currency)
    await this.settled(payment, state)
  }

  /** What was taken is not what was asked for: whoever looks after the shop is told with the order, once. */
  private async notAgreed({ id, order, provider, state }: Payment, amount: number, currency: string): Promise<void> {
    log('warn', 'notice-amount', { order, amount, currency })
    if (state !== 'open') return
    await setPayment(this.db, id, { state: 'refused' })
    const note = `${provider} reports ${amount} ${currency} (smallest unit) for payment ${id}, which is not what was asked for.`
    await tellStory(this.db, order, { at: this.now(), what: 'payment-differs', by: provider, note })
  }

  /** Moves an order by how its payment stands, both in one transaction: what is heard again changes nothing. */
  private async settled({ id, order, provider }: Payment, state: 'paid' | 'refused'): Promise<void> {
    if (state === 'refused') return void (await this.movePayment(this.db, id, 'refuse'))
    let surplus = false
    await this.orders.move(order, 'pay', provider, '', async (trx, stored, moved) => {
      const payments = await readPayments(trx, order)
      const payment = payments.find((p) => p.id === id)
      if (!payment || nextPaymentState(payment.state, 'pay') === null) return
      // An order that is paid and has no payment that paid it was settled by a server that was killed meanwhile.
      const pays = moved !== null || (isPaid(stored) && !payments.some((p) => p.state === 'paid'))
      surplus = !pays
      await this.movePayment(trx, id, pays ? 'pay' : 'exceed')
      if (surplus) await tellStory(trx, order, { at: this.now(), what: 'paid-twice', by: provider, note: '' })
    })
    if (surplus) await this.giveBackSurplus()
  }

  /** Moves a payment along the table of its states; gives whether it moved. */
  private async movePayment(db: Database | Trx, id: string, event: PaymentEvent): Promise<boolean> {
    const payment = await readPayment(db, id)
    const next = payment && nextPaymentState(payment.state, event)
    if (next) await setPayment(db, id, { state: next })
    return Boolean(next)
  }

  /** Payments that were too much go back by themselves; what a provider does not take back now is tried again. */
  private async giveBackSurplus(): Promise<void> {
    for (const payment of await readSurplus(this.db, AT_ONCE)) {
      const why = await this.giveBack(payment)
      if (why) log('warn', 'surplus-not-given-back', { order: payment.order, why })
      else
        await tellStory(this.db, payment.order, {
          at: this.now(),
          what: 'surplus-refunded',
          by: payment.provider,
          note: '',
        })
    }
  }

  /** Gives one payment back; gives why it could not, or nothing. */
  private async giveBack({ id, provider: by, remote, amount }: Payment): Promise<string> {
    const provider = this.providers.get(by)
    if (!provider) return `There is no ${by} any more.`
    try {
      await provider.refund(remote, amount)
    } catch (error) {
      return `${provider.label} does not give it back just now (${(error as Error).message}).`
    }
    await this.movePayment(this.db, id, 'refund')
    return ''
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
    const payments = await readPayments(this.db, order)
    const paid = payments.filter((p) => p.state === 'paid' || p.state === 'surplus')
    const stored = await readOrder(this.db, order)
    if (stored && stored.order.totals.total > 0 && !payments.some((p) => p.state === 'refunded' || paid.includes(p)))
      return 'There is no payment of this order that could be given back.'
    for (const payment of paid) {
      const why = await this.giveBack(payment)
      if (why) return why
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
    await this.giveBackSurplus()
    for (const { id } of await readDueOrders(this.db, 'owing', this.now(), AT_ONCE)) {
      const why = await this.refund(id, 'the shop')
      if (why) await setOrderUntil(this.db, id, this.now() + MINUTE)
    }
  }

  async end(): Promise<void> {
    await this.running?.catch(() => undefined)
  }
}
