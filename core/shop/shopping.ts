import { startOfDay } from '../time'
import type { Catalogue } from '../catalogue'
import { PLAIN_SHOP } from '../selling'
import type { SeenLine } from './basket'
import { type AskedCheckout, CHECKOUT_WORDS, type CheckoutProblems, type CheckoutWord, type Said } from './checkout'
import { type Goods, goodsOfEntry } from './goods'
import type { Order, OrderState } from './orders'
import { type CodeProblem, type Totals, pricedOf, totalsOf } from './totals'

/** What of a shop one visitor is shown: their basket, what they have said, what it comes to, what they ordered. */

export interface PaymentWay {
  id: string
  label: string
  about: string
}

/** An order as whoever has its link is shown it. */
export interface ShownOrder {
  number: string
  state: OrderState
  /** Milliseconds since 1970: when it was placed, and until when it is held for being paid. */
  at: number
  until: number
  order: Order
  /** Its own link. */
  address: string
  /** A payment of it was begun and nothing was heard of it yet: the page is asked for again by itself. */
  isBeingPaid?: boolean
}

export interface Shopping {
  lines: readonly SeenLine[]
  /** What was taken out last, by its title. */
  removed: string | null
  totals: Totals
  code: string
  codeWhy: CodeProblem | null
  said: Said
  problems: CheckoutProblems
  /** What is said above all that is wrong. */
  says: CheckoutWord | null
  /** What the fields of the page are called, by their names. */
  labels: Readonly<Record<string, string>>
  /** Every sentence that the checkout says, in the designer's words. */
  words: Readonly<Record<CheckoutWord, string>>
  payments: readonly PaymentWay[]
  /** What the page asks. */
  asks: AskedCheckout['asks']
  /** More codes were tried than anybody has. */
  tooManyCodes: boolean
  order: ShownOrder | null
  /** What somebody who is signed in has ordered, the newest first; null for anybody else. */
  orders: readonly ShownOrder[] | null
}

const MADE_UP: readonly Pick<Goods, 'title' | 'label' | 'each'>[] = [
  { title: 'A thing that is sold', label: '', each: 1250 },
  { title: 'Another one', label: 'Large', each: 990 },
]

function goodsToShow(catalogue: Catalogue): Goods[] {
  const now = startOfDay(catalogue.today)
  const sold = [...catalogue.types.values()].filter((type) => type.sells)
  const all = sold.map((type) => {
    const goods: Goods[] = []
    for (const { id } of catalogue.entriesOfType(type.id)) {
      const [one] = goodsOfEntry(id, { catalogue, taken: catalogue.taken, now })
      if (one && goods.push(one) === 2) break
    }
    return goods
  })
  // One of each page type comes first, so that what is brought and what is not are both seen.
  const found = [0, 1].flatMap((at) => all.flatMap((goods) => goods[at] ?? []))
  const made = { offer: null, type: '', left: null, most: 10, tax: '', delivers: true, on: '' }
  return found.length > 0
    ? found.slice(0, 3)
    : MADE_UP.map((of, i) => ({ ...made, ...of, sku: `sample-${i}`, entry: `sample-${i}` }))
}

const SAMPLES = new WeakMap<object, Shopping>()

/** A basket, a checkout and an order to design by, made of what the site sells, or made up where it sells nothing. */
export function sampleShopping(catalogue: Catalogue): Shopping {
  const kept = SAMPLES.get(catalogue.state)
  if (kept) return kept
  const { currency, selling: shop = PLAIN_SHOP } = catalogue.site.settings
  const lines = goodsToShow(catalogue).map((goods, i): SeenLine => {
    const { entry, offer, each: seen } = goods
    return { line: { id: `sample-${i}`, entry, offer, count: i + 1, seen }, goods, count: i + 1, changes: [] }
  })
  const [way = null] = shop.deliveries
  const totals = totalsOf(pricedOf(lines), shop, { currency, country: shop.country, code: null, way })
  const order: Order = {
    format: 1,
    lines: lines.map(({ goods, count }) => {
      const { entry, offer, sku, title, label, each, on, delivers } = goods!
      return { entry, offer, sku, title, label, count, each, total: each * count, on, delivers }
    }),
    totals,
    buyer: { name: 'Inez Dial', mail: 'inez@example.org', phone: '' },
    billing: null,
    delivery: null,
    way: way && { id: way.id, label: way.label },
    note: '',
    consents: [],
    code: '',
    payment: 'stand-in',
  }
  const shown: ShownOrder = { number: '1042', state: 'paid', at: Date.UTC(2026, 10, 30), until: 0, order, address: '' }
  const made: Shopping = {
    lines,
    removed: null,
    totals,
    code: '',
    codeWhy: null,
    said: {},
    problems: {},
    says: null,
    labels: {},
    words: CHECKOUT_WORDS,
    payments: [{ id: 'stand-in', label: 'By card', about: 'At the page of whoever takes the money' }],
    asks: new Set(['buyer', 'billing', 'delivery', 'way', 'note', 'payment']),
    tooManyCodes: false,
    order: shown,
    orders: [shown, { ...shown, number: '1017', state: 'sent', at: Date.UTC(2026, 8, 12) }],
  }
  SAMPLES.set(catalogue.state, made)
  return made
}
