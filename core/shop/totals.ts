import { type DeliveryWay, type ShopSettings, type Minor, allotted, minorOf, shareOf } from '../selling'
import type { Id } from '../model'
import type { SeenLine } from './basket'
import type { DiscountCode } from './discounts'

/**
 * What a basket comes to. It is computed here and nowhere else; whatever is shown of it is this. Sums are whole numbers
 * of the smallest unit, and every part of one is rounded once, half up.
 */

/** What is counted: so many of one thing at one price. */
export interface Priced {
  id: Id
  type: Id
  count: number
  each: Minor
  tax: Id
}

export interface TaxTotal {
  label: string
  /** Hundredths of a percent, to the thousandth of one: 8.875% is 887.5. */
  rate: number
  /** What it is on, without it, and how much it is. */
  on: Minor
  amount: Minor
}

export interface Totals {
  currency: string
  lines: { id: Id; total: Minor }[]
  goods: Minor
  discount: Minor
  /** Null while nobody has said how it comes. */
  delivery: Minor | null
  /** Whether prices have the tax in them. */
  included: boolean
  taxes: TaxTotal[]
  total: Minor
}

/** A rate counts to the hundred-thousandth of a percent. */
const FINE = 1000

/** The rate of a tax class for a country, in hundredths of a percent; of one that is gone, that of the first. */
export function rateOf(
  { taxes }: Pick<ShopSettings, 'taxes'>,
  tax: Id,
  country: string,
): { label: string; rate: number } {
  const found = taxes.find((t) => t.id === tax) ?? taxes[0]!
  const there = found.elsewhere.find((e) => e.country === country)
  return { label: found.label, rate: Math.round((there?.rate ?? found.rate) * 100 * FINE) / FINE }
}

/** What delivery costs for goods of so much. */
export function deliveryCost(way: DeliveryWay, goods: Minor, currency: string): Minor {
  const free = way.freeFrom === null ? null : minorOf(way.freeFrom, currency)
  return free !== null && goods >= free ? 0 : (minorOf(way.price, currency) ?? 0)
}

/** Why a code takes nothing off; null where it does. */
export type CodeProblem = 'unknown' | 'over' | 'little' | 'none'

/** What a code takes off each line. */
export function discounts(
  code: DiscountCode,
  lines: readonly Priced[],
  currency: string,
): { off: Minor[]; why: CodeProblem | null } {
  const totals = lines.map((l) => l.each * l.count)
  const none = totals.map(() => 0)
  const goods = totals.reduce((sum, t) => sum + t, 0)
  if (goods < (minorOf(code.least, currency) ?? 0)) return { off: none, why: 'little' }
  const meant = lines.map((l, i) => (code.types.length === 0 || code.types.includes(l.type) ? totals[i]! : 0))
  const whole = meant.reduce((sum, t) => sum + t, 0)
  if (whole === 0) return { off: none, why: 'none' }
  const off =
    code.kind === 'percent'
      ? shareOf(whole, Math.round(Math.min(code.value, 100) * 100 * FINE), 10_000 * FINE)
      : Math.min(minorOf(code.value, currency) ?? 0, whole)
  return { off: allotted(off, meant), why: null }
}

/** The tax in, or on, an amount. */
function taxOn(amount: Minor, rate: number, included: boolean): Minor {
  const [part, whole] = [Math.round(rate * FINE), 10_000 * FINE]
  return shareOf(amount, part, included ? whole + part : whole)
}

/** The lines of a basket that can be had, as they are counted. */
export const pricedOf = (lines: readonly SeenLine[]): Priced[] =>
  lines.flatMap(({ line, goods, count }) =>
    goods && count > 0 ? [{ id: line.id, type: goods.type, count, each: goods.each, tax: goods.tax }] : [],
  )

export interface Counted {
  currency: string
  country: string
  code: DiscountCode | null
  way: DeliveryWay | null
}

/** What lines come to, with a code, a way of delivery and the taxes of a country. */
export function totalsOf(
  lines: readonly Priced[],
  shop: ShopSettings,
  { currency, country, code, way }: Counted,
): Totals {
  const goods = lines.reduce((sum, l) => sum + l.each * l.count, 0)
  const off = code ? discounts(code, lines, currency).off : lines.map(() => 0)
  const discount = off.reduce((sum, o) => sum + o, 0)
  const delivery = way ? deliveryCost(way, goods - discount, currency) : null
  const taxed = lines.map((l, i) => ({ tax: l.tax, amount: l.each * l.count - off[i]! }))
  if (delivery) taxed.push({ tax: shop.deliveryTax, amount: delivery })
  const groups = new Map<string, { label: string; rate: number; amount: Minor }>()
  for (const { tax, amount } of taxed) {
    const { label, rate } = rateOf(shop, tax, country)
    const key = `${rate} ${label}`
    const group = groups.get(key) ?? { label, rate, amount: 0 }
    groups.set(key, { ...group, amount: group.amount + amount })
  }
  const { included } = shop
  const taxes = [...groups.values()]
    .filter(({ rate }) => rate > 0)
    .sort((a, b) => b.rate - a.rate || (a.label < b.label ? -1 : 1))
    .map(({ label, rate, amount }): TaxTotal => {
      const tax = taxOn(amount, rate, included)
      return { label, rate, on: included ? amount - tax : amount, amount: tax }
    })
  const added = included ? 0 : taxes.reduce((sum, t) => sum + t.amount, 0)
  return {
    currency,
    lines: lines.map((l) => ({ id: l.id, total: l.each * l.count })),
    goods,
    discount,
    delivery,
    included,
    taxes,
    total: goods - discount + (delivery ?? 0) + added,
  }
}
