import { exact, id, key, list, numeric, orNull, pattern, text, whole, yesNo, shapeOf, oneOf } from '../shape'
import type { Id } from '../model'
import { type Address, addressShape } from './addresses'
import { MOST_CONSENTS } from './checkout'
import { MOST_OF_ONE } from './goods'
import { MOST_LINES } from './basket'
import { MOST_MONEY } from '../selling'
import type { Totals } from './totals'

/** What was bought: as it was agreed on when it was placed, and never counted anew. */

/**
 * placed: it is held, and has yet to be paid. paid, sent. expired: nobody paid in time, and it is held no more.
 * cancelled. owing: it was paid and cannot be had, so the money has to go back. refunded: it went back.
 */
export const ORDER_STATES = ['placed', 'paid', 'sent', 'expired', 'cancelled', 'owing', 'refunded'] as const
export type OrderState = (typeof ORDER_STATES)[number]

export const ORDER_EVENTS = ['pay', 'expire', 'cancel', 'send', 'refund'] as const
export type OrderEvent = (typeof ORDER_EVENTS)[number]

/** States in which what was ordered is nobody else's. */
export const HOLDS: ReadonlySet<OrderState> = new Set(['placed', 'paid', 'sent'])

const NEXT: Readonly<Record<OrderState, Partial<Record<OrderEvent, OrderState>>>> = {
  placed: { pay: 'paid', expire: 'expired', cancel: 'cancelled' },
  paid: { send: 'sent', cancel: 'owing', refund: 'refunded' },
  sent: { refund: 'refunded' },
  expired: { pay: 'paid', cancel: 'cancelled' },
  cancelled: { pay: 'owing' },
  owing: { refund: 'refunded' },
  refunded: {},
}

/**
 * What becomes of an order; null where nothing does: the same notice again changes nothing. One that is paid after it
 * was held no more is `paid` only where what is in it can still be had (`free`), and else owing.
 */
export function nextState(state: OrderState, event: OrderEvent, free = true): OrderState | null {
  const next = NEXT[state][event] ?? null
  return state === 'expired' && next === 'paid' && !free ? 'owing' : next
}

export interface OrderLine {
  entry: Id
  offer: Id | null
  sku: string
  title: string
  label: string
  count: number
  each: number
  total: number
  /** The day or moment that it is for; empty: none. */
  on: string
  delivers: boolean
}

export interface Buyer {
  name: string
  mail: string
  phone: string
}

export interface Order {
  format: 1
  lines: OrderLine[]
  totals: Totals
  /** Null once the personal data of it was removed. */
  buyer: Buyer | null
  billing: Address | null
  delivery: Address | null
  way: { id: Id; label: string } | null
  note: string
  /** What was agreed to, in its words. */
  consents: string[]
  code: string
  /** By which provider it is paid. */
  payment: Id
}

const money = () => whole(0, MOST_MONEY)
const lineText = (most: number) => pattern(/^[^\r\n]*$/, 'it is one line').max(most)

export const totalsShape = shapeOf<Totals>()(
  exact({
    currency: pattern(/^[A-Z]{3}$/, 'a currency is written as EUR'),
    lines: list(exact({ id: key(), total: money() }), MOST_LINES),
    goods: money(),
    discount: money(),
    delivery: orNull(money()),
    included: yesNo(),
    taxes: list(exact({ label: text(80), rate: numeric(0, 10_000), on: money(), amount: money() }), 30),
    total: money(),
  }),
)

export const orderShape = shapeOf<Order>()(
  exact({
    format: oneOf([1], 'it is of another format'),
    lines: list(
      exact({
        entry: key(),
        offer: orNull(id()),
        sku: pattern(/^[\w:/-]{1,170}$/, 'a thing has a name by which it is counted'),
        title: text(1000),
        label: text(300),
        count: whole(1, MOST_OF_ONE),
        each: money(),
        total: money(),
        on: text(20),
        delivers: yesNo(),
      }),
      MOST_LINES,
    ).min(1, 'an order has something in it'),
    totals: totalsShape,
    buyer: orNull(exact({ name: lineText(200), mail: lineText(254), phone: lineText(60) })),
    billing: orNull(addressShape),
    delivery: orNull(addressShape),
    way: orNull(exact({ id: id(), label: text(120) })),
    note: text(2000),
    consents: list(text(1000), MOST_CONSENTS),
    code: text(60),
    payment: id(),
  }),
)

/** An order without anything that says who it was: its figures stay. */
export const withoutPerson = (order: Order): Order => ({
  ...order,
  buyer: null,
  billing: null,
  delivery: null,
  note: '',
  consents: [],
})
