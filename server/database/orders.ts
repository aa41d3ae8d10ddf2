import { dayAtStart } from '../../core/time'
import type { Transaction } from 'kysely'
import {
  HOLDS,
  ORDER_STATES,
  type Order,
  type OrderState,
  PAYMENT_STATES,
  type PaymentState,
  withoutPerson,
} from '../../core/shop'
import type { Database } from './open'
import type { Tables } from './schema'
import { readSound, soundText } from './sound'

export type Trx = Transaction<Tables>
type Db = Database | Trx

export interface StoredOrder {
  id: number
  state: OrderState
  at: number
  /** Until when it is held without being paid. */
  until: number
  order: Order
}

type Row = { id: number; state: string; at: number; until: number; doc: string }

function stored({ doc, state, ...row }: Row): StoredOrder | null {
  const order = readSound<Order>('order', String(row.id), doc, [])
  return order && { ...row, state: ORDER_STATES.find((s) => s === state) ?? 'cancelled', order }
}
const COLUMNS = ['id', 'state', 'at', 'until', 'doc'] as const

/** How many of a thing are nobody else's. */
export async function takenOf(db: Db, sku: string): Promise<number> {
  const row = await db
    .selectFrom('order_lines')
    .select((e) => e.fn.sum<number>('count').as('count'))
    .where('sku', '=', sku)
    .where('holds', '=', 1)
    .executeTakeFirst()
  return Number(row?.count ?? 0)
}

/** How many of a thing one visitor holds by orders that are not paid. */
export async function unpaidOf(db: Db, sku: string, place: string): Promise<number> {
  const row = await db
    .selectFrom('order_lines')
    .innerJoin('orders', 'orders.id', 'order_lines.order')
    .select((e) => e.fn.sum<number>('order_lines.count').as('count'))
    .where('order_lines.sku', '=', sku)
    .where('order_lines.holds', '=', 1)
    .where('orders.state', '=', 'placed')
    .where('orders.place', '=', place)
    .executeTakeFirst()
  return Number(row?.count ?? 0)
}

/** The same of everything. */
export async function readTaken(db: Db): Promise<[sku: string, count: number][]> {
  const rows = await db
    .selectFrom('order_lines')
    .select(['sku', (e) => e.fn.sum<number>('count').as('count')])
    .where('holds', '=', 1)
    .groupBy('sku')
    .execute()
  return rows.map((row) => [row.sku, Number(row.count)])
}

/** The words by which an order is found. */
const wordsOf = ({ buyer, lines }: Order): string =>
  [buyer?.name ?? '', buyer?.mail ?? '', ...lines.flatMap((l) => [l.title, l.label])].join('\n').toLowerCase()

export async function insertOrder(
  trx: Trx,
  order: Order,
  {
    state,
    at,
    until,
    user,
    place,
  }: { state: OrderState; at: number; until: number; user: number | null; place: string },
): Promise<number> {
  const { total, currency } = order.totals
  const values = {
    state,
    at,
    until,
    total,
    currency,
    words: wordsOf(order),
    doc: soundText('order', order),
    personal: 1,
    user,
    place,
  }
  const { id } = await trx.insertInto('orders').values(values).returning('id').executeTakeFirstOrThrow()
  const holds = HOLDS.has(state) ? 1 : 0
  for (const { sku, entry, count, total: sum, on } of order.lines)
    await trx
      .insertInto('order_lines')
      .values({ order: id, sku, entry, count, total: sum, day: dayAtStart(on) ?? '', holds })
      .execute()
  return id
}

export async function readOrder(db: Db, id: number): Promise<StoredOrder | null> {
  const row = await db.selectFrom('orders').select(COLUMNS).where('id', '=', id).executeTakeFirst()
  return row ? stored(row) : null
}

/** What somebody has ordered while they were signed in, the newest first. */
export async function readOrdersOf(db: Db, user: number, most: number): Promise<StoredOrder[]> {
  const rows = await db
    .selectFrom('orders')
    .select(COLUMNS)
    .where('user', '=', user)
    .orderBy('id', 'desc')
    .limit(most)
    .execute()
  return rows.flatMap((row) => stored(row) ?? [])
}

/** Sets the state of an order, and with it whether it holds what is in it. */
export async function setOrderState(trx: Trx, id: number, state: OrderState): Promise<void> {
  await trx.updateTable('orders').set({ state }).where('id', '=', id).execute()
  await trx
    .updateTable('order_lines')
    .set({ holds: HOLDS.has(state) ? 1 : 0 })
    .where('order', '=', id)
    .execute()
}

export interface Story {
  at: number
  what: string
  by: string
  note: string
}

export async function tellStory(db: Db, order: number, story: Story): Promise<void> {
  await db
    .insertInto('order_story')
    .values({ order, ...story })
    .execute()
}

export const readStory = (db: Db, order: number): Promise<Story[]> =>
  db.selectFrom('order_story').select(['at', 'what', 'by', 'note']).where('order', '=', order).orderBy('at').execute()

/** Orders in a state that are due by a moment, the longest due first. */
export async function readDueOrders(db: Db, state: OrderState, until: number, most: number): Promise<StoredOrder[]> {
  const rows = await db
    .selectFrom('orders')
    .select(COLUMNS)
    .where('state', '=', state)
    .where('until', '<=', until)
    .orderBy('until')
    .limit(most)
    .execute()
  return rows.flatMap((row) => stored(row) ?? [])
}

/** Asks about an order again at a moment. */
export async function setOrderUntil(db: Db, id: number, until: number): Promise<void> {
  await db.updateTable('orders').set({ until }).where('id', '=', id).execute()
}

export interface Wanted {
  state?: OrderState
  words?: string
  /** The order that words name by its number. */
  number?: number | undefined
  before?: number
  most: number
}

/** The newest orders, those before one where that is given. */
export async function readOrders(db: Db, { state, words, number, before, most }: Wanted): Promise<StoredOrder[]> {
  let query = db.selectFrom('orders').select(COLUMNS).orderBy('id', 'desc').limit(most)
  if (state) query = query.where('state', '=', state)
  if (before !== undefined) query = query.where('id', '<', before)
  if (words)
    query = query.where((e) =>
      e.or([e(e.fn<number>('instr', ['words', e.val(words.toLowerCase())]), '>', 0), e('id', '=', number ?? -1)]),
    )
  return (await query.execute()).flatMap((row) => stored(row) ?? [])
}

export async function countOrders(db: Db): Promise<Record<OrderState, number>> {
  const rows = await db
    .selectFrom('orders')
    .select(['state', (e) => e.fn.countAll<number>().as('count')])
    .groupBy('state')
    .execute()
  const counts = Object.fromEntries(ORDER_STATES.map((s) => [s, 0])) as Record<OrderState, number>
  for (const { state, count } of rows) if (Object.hasOwn(counts, state)) counts[state as OrderState] = Number(count)
  return counts
}

/** What was taken since a moment in a currency and not given back: when and how much, and with which entries. */
export async function readTakings(
  db: Db,
  since: number,
  currency: string,
): Promise<{ orders: { at: number; total: number }[]; goods: { entry: string; total: number; count: number }[] }> {
  const taken = db
    .selectFrom('orders')
    .where('orders.at', '>=', since)
    .where('orders.currency', '=', currency)
    .where('orders.state', 'in', ['paid', 'sent'])
  const goods = await taken
    .innerJoin('order_lines', 'order_lines.order', 'orders.id')
    .select((e) => [
      'order_lines.entry',
      e.fn.sum<number>('order_lines.total').as('total'),
      e.fn.sum<number>('order_lines.count').as('count'),
    ])
    .groupBy('order_lines.entry')
    .orderBy('total', 'desc')
    .limit(12)
    .execute()
  return { orders: await taken.select(['orders.at', 'orders.total']).execute(), goods }
}

/** What was paid for a day. */
export async function readDayLines(
  db: Db,
  day: string,
): Promise<{ order: number; sku: string; count: number; came: number }[]> {
  return db
    .selectFrom('order_lines')
    .innerJoin('orders', 'orders.id', 'order_lines.order')
    .select(['order_lines.order', 'order_lines.sku', 'order_lines.count', 'order_lines.came'])
    .where('order_lines.day', '=', day)
    .where('orders.state', 'in', ['paid', 'sent'])
    .orderBy('order_lines.order')
    .execute()
}

/** Says how many of those on a line of a paid order have come; false where there is no such line, or fewer on it. */
export async function setCame(db: Db, order: number, sku: string, came: number): Promise<boolean> {
  const { numUpdatedRows } = await db
    .updateTable('order_lines')
    .set({ came })
    .where('order', '=', order)
    .where('sku', '=', sku)
    .where('count', '>=', came)
    .where((e) =>
      e.exists(
        e
          .selectFrom('orders')
          .select('orders.id')
          .where('orders.id', '=', order)
          .where('orders.state', 'in', ['paid', 'sent']),
      ),
    )
    .executeTakeFirst()
  return numUpdatedRows > 0n
}

/** Orders of before a moment that still say who it was. */
export async function readPersonalOrders(db: Db, before: number, most: number): Promise<StoredOrder[]> {
  const rows = await db
    .selectFrom('orders')
    .select(COLUMNS)
    .where('personal', '=', 1)
    .where('at', '<', before)
    .where('state', 'not in', ['placed', 'owing'])
    .limit(most)
    .execute()
  return rows.flatMap((row) => stored(row) ?? [])
}

/** Removes who it was from an order, its story and its mails; its figures stay. */
export async function forgetPerson(trx: Trx, id: number, order: Order): Promise<void> {
  const doc = soundText('order', withoutPerson(order))
  await trx
    .updateTable('orders')
    .set({ doc, words: wordsOf(withoutPerson(order)), personal: 0, user: null, place: '' })
    .where('id', '=', id)
    .execute()
  await trx.updateTable('order_story').set({ note: '' }).where('order', '=', id).execute()
  await trx.deleteFrom('mails').where('about', '=', `order:${id}`).execute()
}

export interface Payment {
  id: string
  order: number
  provider: string
  remote: string
  amount: number
  state: PaymentState
  at: number
}

const paymentOf = (row: Omit<Payment, 'state'> & { state: string }): Payment => ({
  ...row,
  state: PAYMENT_STATES.find((s) => s === row.state) ?? 'refused',
})

export async function insertPayment(db: Db, payment: Payment): Promise<void> {
  await db.insertInto('payments').values(payment).execute()
}

export async function readPayment(db: Db, id: string): Promise<Payment | null> {
  const row = await db.selectFrom('payments').selectAll().where('id', '=', id).executeTakeFirst()
  return row ? paymentOf(row) : null
}

/** Payments that were taken and have to go back, whatever becomes of their orders. */
export async function readSurplus(db: Db, most: number): Promise<Payment[]> {
  const rows = await db.selectFrom('payments').selectAll().where('state', '=', 'surplus').limit(most).execute()
  return rows.map(paymentOf)
}

export async function readPayments(db: Db, order: number): Promise<Payment[]> {
  const rows = await db.selectFrom('payments').selectAll().where('order', '=', order).orderBy('at').execute()
  return rows.map(paymentOf)
}

export async function setPayment(
  db: Db,
  id: string,
  values: Partial<Pick<Payment, 'state' | 'remote'>>,
): Promise<void> {
  await db.updateTable('payments').set(values).where('id', '=', id).execute()
}
