import { readNumber } from '../numbers'
import { numeric } from '../shape'
import { NUMBER } from './comparisons'
import { NUMERIC } from './families'
import type { FieldSpec, ReadContext } from './spec'
import { wordsOf } from './values'

/** An amount in the currency of the site; null for one that is said to be in another. */
function moneyIn(words: string, { decimal = 'point', currency }: ReadContext): number | null {
  const plain = words.trim()
  // The sign or the code of a currency stands before its digits or behind them.
  const begins = plain.search(/[-−+.,\d]/)
  const ends = plain.search(/\d[^\d]*$/)
  if (begins < 0 || ends < 0) return null
  const signs = [plain.slice(0, begins), plain.slice(ends + 1)].map((sign) => sign.trim()).filter(Boolean)
  return signs.every((sign) => isCurrency(sign, currency)) ? readNumber(plain.slice(begins, ends + 1), decimal) : null
}

const SIGNS = new Map<string, ReadonlySet<string>>()

/** Whether a sign or a code stands for a currency. */
function isCurrency(sign: string, currency: string | undefined): boolean {
  if (currency === undefined) return false
  let signs = SIGNS.get(currency)
  if (!signs) {
    const write = (currencyDisplay: 'symbol' | 'narrowSymbol' | 'code') =>
      new Intl.NumberFormat('en', { style: 'currency', currency, currencyDisplay })
        .formatToParts(1)
        .find((p) => p.type === 'currency')!.value
    SIGNS.set(currency, (signs = new Set([write('symbol'), write('narrowSymbol'), write('code')])))
  }
  return signs.has(sign) || signs.has(sign.toUpperCase())
}

export const money: FieldSpec = {
  ...NUMERIC,
  label: 'Money',
  about: 'In the currency of the site.',
  roles: ['price', 'fact'],
  shape: numeric(),
  convert: (value, _, context) => (typeof value === 'number' ? value : moneyIn(wordsOf(value), context)),
  guess: null,
  comparisons: NUMBER,
  write: ({ value }, format, formats) => formats.money(Number(value), format),
}
