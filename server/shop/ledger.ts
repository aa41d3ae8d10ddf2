import { LRUCache } from 'lru-cache'
import Papa from 'papaparse'
import QRCode from 'qrcode'
import { amountOf } from '../../core/selling'
import { safeCell } from '../../core/formats'
import { fail } from '../../core/problems'
import { addDays, clockIn, todayIn } from '../../core/time'
import type {
  CameInput,
  DaySheetAnswer,
  OrderAnswer,
  OrderInput,
  OrderSummary,
  OrdersAnswer,
  OrdersAsked,
} from '../../shared/api/types'
import { readMails } from '../database/mails'
import {
  type StoredOrder,
  countOrders,
  readDayLines,
  readOrder,
  readOrders,
  readPayments,
  readStory,
  readTakings,
  setCame,
  tellStory,
} from '../database/orders'
import type { Database } from '../database/open'
import type { Content } from '../services/content'
import { giveTurn, takeTurns } from '../services/turns'
import type { Outbox } from '../mail/outbox'
import type { Orders } from './orders'
import type { Till } from './till'

/** Orders for those who work here: listed, searched, one with its story; sent, cancelled, given back; taken out as a table. */

const DAYS = 30
const DAY = 24 * 60 * 60_000
/** So many are told at once. */
const MOST = 100
/** So many codes are kept drawn. */
const MOST_CODES = 2000
/** So many are read at once where all are asked for. */
const AT_ONCE = 500

export class Ledger {
  private readonly codes = new LRUCache<string, string>({ max: MOST_CODES })

  constructor(
    private readonly db: Database,
    private readonly content: Pick<Content, 'catalogue'>,
    private readonly orders: Orders,
    private readonly till: Till,
    private readonly outbox: Pick<Outbox, 'put'>,
    private readonly now: () => number = Date.now,
  ) {}

  private summary({ id, state, at, until, order }: StoredOrder): OrderSummary {
    const { buyer, totals, lines } = order
    return {
      id,
      number: this.orders.numberOf(id),
      state,
      at,
      until,
      name: buyer?.name ?? '',
      mail: buyer?.mail ?? '',
      total: totals.total,
      currency: totals.currency,
      things: lines.map((l) => `${l.count} × ${[l.title, l.label].filter(Boolean).join(', ')}`).join('; '),
    }
  }

  async list(asked: OrdersAsked): Promise<OrdersAnswer> {
    const found = await readOrders(this.db, { ...asked, number: this.idOf(asked.words), most: MOST + 1 })
    const { timeZone, currency } = this.content.catalogue.site.settings
    const today = todayIn(timeZone, this.now())
    const days = Array.from({ length: DAYS }, (_, i) => addDays(today, i - DAYS + 1))
    const takings = await readTakings(this.db, this.now() - (DAYS + 1) * DAY, currency)
    const taken = new Map<string, number>()
    for (const { at, total } of takings.orders) {
      const day = todayIn(timeZone, at)
      taken.set(day, (taken.get(day) ?? 0) + total)
    }
    const titleOf = (entry: string) => this.content.catalogue.entries.get(entry)?.title ?? entry
    return {
      orders: found.slice(0, MOST).map((o) => this.summary(o)),
      more: found.length > MOST,
      counts: await countOrders(this.db),
      currency,
      days: days.map((day) => ({ day, taken: taken.get(day) ?? 0 })),
      goods: takings.goods.map(({ entry, total, count }) => ({ title: titleOf(entry), total, count })),
    }
  }

  /** The order that words name by its number; undefined where they name none. */
  private idOf(words = ''): number | undefined {
    const digits = /(\d{4,12})\s*$/.exec(words)?.[1]
    return digits === undefined ? undefined : Number(digits) - 1000
  }

  async one(id: number): Promise<OrderAnswer> {
    const stored = await readOrder(this.db, id)
    if (!stored) return fail('order-unknown')
    const mails = await readMails(this.db, { about: `order:${id}`, most: 20 })
    return {
      ...this.summary(stored),
      order: stored.order,
      story: await readStory(this.db, id),
      payments: (await readPayments(this.db, id)).map(({ provider, amount, state, at }) => ({
        provider,
        amount,
        state,
        at,
      })),
      mails: mails.map(({ state, then, mail }) => ({ to: mail.to, subject: mail.subject, state, at: then })),
      address: this.orders.addressOf(id),
    }
  }

  /** Does something to an order; what does nothing to one in its state is refused. */
  async act(id: number, { does, note = '' }: OrderInput, by: string): Promise<OrderAnswer> {
    const stored = await readOrder(this.db, id)
    if (!stored) return fail('order-unknown')
    if (does === 'note') await tellStory(this.db, id, { at: this.now(), what: 'note', by, note })
    else if (does === 'mail') await this.mailAgain(stored, by)
    else if (does === 'refund') {
      if (!['paid', 'sent', 'owing'].includes(stored.state)) return fail('order-state', { state: stored.state })
      const why = await this.till.refund(id, by, note)
      if (why) return fail('order-refund', { why })
    } else if ((await this.orders.move(id, does, by, note)) === null)
      return fail('order-state', { state: stored.state })
    // What is owed is given back at once.
    if (does === 'cancel' && (await readOrder(this.db, id))?.state === 'owing') await this.till.refund(id, by, note)
    return this.one(id)
  }

  private async mailAgain(stored: StoredOrder, by: string): Promise<void> {
    const mails = this.orders.mailsOf(stored)
    if (mails.length === 0) return fail('order-mail')
    await this.outbox.put(mails, `order:${stored.id}`)
    await tellStory(this.db, stored.id, { at: this.now(), what: 'mailed', by, note: '' })
  }

  /** All orders that were asked for, the newest first, read part by part; others have their turns meanwhile. */
  private async all(asked: OrdersAsked): Promise<StoredOrder[]> {
    const found: StoredOrder[] = []
    for (let before = asked.before; ;) {
      const some = await readOrders(this.db, { ...asked, before, number: this.idOf(asked.words), most: AT_ONCE })
      found.push(...some)
      await giveTurn()
      const last = some.at(-1)
      if (!last) return found
      before = last.id
    }
  }

  /** All orders as a table: a row for every line. */
  async table(asked: OrdersAsked): Promise<string> {
    const all = await this.all(asked)
    const { timeZone } = this.content.catalogue.site.settings
    const heads = [
      'number',
      'placed',
      'state',
      'name',
      'mail',
      'thing',
      'sort',
      'count',
      'each',
      'sum',
      'total',
      'currency',
    ]
    const rows = all.flatMap((stored) => {
      const { number, state, at, name, mail, total, currency } = this.summary(stored)
      const money = (minor: number) => String(amountOf(minor, currency))
      return stored.order.lines.map((l) =>
        [
          number,
          clockIn(timeZone, at).replace('T', ' '),
          state,
          name,
          mail,
          l.title,
          l.label,
          String(l.count),
          money(l.each),
          money(l.total),
          money(total),
          currency,
        ].map(safeCell),
      )
    })
    return Papa.unparse([heads, ...rows])
  }

  /** What is scanned at the door: drawn once, since a sheet is asked for again with everybody who comes. */
  private async codeOf(id: number): Promise<string> {
    const address = this.orders.addressOf(id)
    let code = this.codes.get(address)
    if (!code) {
      code = await QRCode.toString(address, { type: 'svg', margin: 1 })
      this.codes.set(address, code)
    }
    return code
  }

  /** Says how many of those on a line of a paid order have come; no more can than bought it. */
  async came({ day, order, sku, came }: CameInput, by: string): Promise<DaySheetAnswer> {
    if (!(await setCame(this.db, order, sku, came))) return fail('order-came')
    await tellStory(this.db, order, { at: this.now(), what: 'came', by, note: String(came) })
    return this.day(day)
  }

  /** Who comes on a day, and for what, each with a code to be looked at when they do. */
  async day(day: string): Promise<DaySheetAnswer> {
    const lines = await readDayLines(this.db, day)
    const turn = takeTurns()
    const found: DaySheetAnswer['lines'] = []
    for (const { order: id, sku, count, came } of lines) {
      const stored = await readOrder(this.db, id)
      const line = stored?.order.lines.find((l) => l.sku === sku)
      if (!stored || !line) continue
      const { number, name } = this.summary(stored)
      const code = await this.codeOf(id)
      await turn()
      found.push({ order: id, number, name, title: line.title, label: line.label, on: line.on, count, came, sku, code })
    }
    found.sort((a, b) =>
      a.on < b.on ? -1 : a.on > b.on ? 1 : a.title.localeCompare(b.title) || a.name.localeCompare(b.name),
    )
    return { day, lines: found }
  }
}
