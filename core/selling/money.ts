import { minorDigits } from './currencies'

/** Money is counted in the smallest unit of its currency, in whole numbers. */

/** So much, in the smallest unit of a currency: pence, cents, yen. */
export type Minor = number

/** No price and no sum is larger. */
export const MOST_MONEY: Minor = 1_000_000_000_000

/** An amount as it is typed into a field, in the smallest unit; null for what is no price. */
export function minorOf(amount: unknown, currency: string): Minor | null {
  if (typeof amount !== 'number' || !Number.isFinite(amount) || amount < 0) return null
  // By way of its digits: 1.005 * 100 is less than 100.5.
  const minor = Math.round(Number(`${amount.toFixed(12)}e${minorDigits(currency)}`))
  return Number.isSafeInteger(minor) && minor <= MOST_MONEY ? minor : null
}

/** The same amount as people write it. */
export const amountOf = (minor: Minor, currency: string): number => minor / 10 ** minorDigits(currency)

const writers = new Map<string, Intl.NumberFormat>()

/**
 * An amount as it is written in a language: with all digits of its currency, or with as many as are asked for. The one
 * way in which money is written, on pages, in emails and in the studio.
 */
export function writeMoney(minor: Minor, currency: string, locale: string, digits = minorDigits(currency)): string {
  const key = `${locale} ${currency} ${digits}`
  let writer = writers.get(key)
  if (!writer) {
    const options = {
      style: 'currency',
      currency,
      minimumFractionDigits: digits,
      maximumFractionDigits: digits,
    } as const
    writers.set(key, (writer = new Intl.NumberFormat(locale, options)))
  }
  return writer.format(amountOf(minor, currency))
}

/** `amount * part / whole`, rounded half up, without losing a digit on the way. */
export function shareOf(amount: Minor, part: number, whole: number): Minor {
  if (whole === 0) return 0
  const [product, by] = [2n * BigInt(amount) * BigInt(part) + BigInt(whole), 2n * BigInt(whole)]
  return Number(product >= 0n ? product / by : -((-product + by - 1n) / by))
}

/**
 * Parts of an amount in proportion to weights, whole and without remainder: what is left over goes to those that were
 * cut most, the first of equals first.
 */
export function allotted(amount: Minor, weights: readonly number[]): Minor[] {
  const whole = weights.reduce((sum, w) => sum + w, 0)
  if (whole === 0) return weights.map(() => 0)
  const exact = weights.map((w) => (BigInt(amount) * BigInt(w)) as bigint)
  const parts = exact.map((e) => Number(e / BigInt(whole)))
  const left = amount - parts.reduce((sum, p) => sum + p, 0)
  const cut = exact
    .map((e, i) => ({ i, cut: e % BigInt(whole) }))
    .sort((a, b) => (a.cut === b.cut ? a.i - b.i : a.cut < b.cut ? 1 : -1))
  for (const { i } of cut.slice(0, left)) parts[i]! += 1
  return parts
}
