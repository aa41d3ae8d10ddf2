/** How one payment of an order stands, and what moves it. */

/**
 * open: asked for. refused: nothing was taken. paid: it pays its order. surplus: it was taken, and its order needs no
 * money, so it has to go back. refunded: it went back.
 */
export const PAYMENT_STATES = ['open', 'refused', 'paid', 'surplus', 'refunded'] as const
export type PaymentState = (typeof PAYMENT_STATES)[number]
export type PaymentEvent = 'pay' | 'exceed' | 'refuse' | 'refund'

/** What was taken stays taken until it is given back: a refusal that comes late changes nothing. */
const NEXT: Readonly<Record<PaymentState, Partial<Record<PaymentEvent, PaymentState>>>> = {
  open: { pay: 'paid', exceed: 'surplus', refuse: 'refused' },
  refused: { pay: 'paid', exceed: 'surplus' },
  paid: { refund: 'refunded' },
  surplus: { refund: 'refunded' },
  refunded: {},
}

/** The next state of a payment; null where the event changes nothing. */
export const nextPaymentState = (state: PaymentState, event: PaymentEvent): PaymentState | null =>
  NEXT[state][event] ?? null
