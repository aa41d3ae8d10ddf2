/**
 * How many digits a currency has behind the point: the minor units of ISO 4217 (list one). Runtimes say other numbers
 * for some of them (those that are used in daily life), and amounts go to payment providers by these.
 */
const DIGITS: Readonly<Record<number, string>> = {
  0: 'BIF CLP DJF GNF ISK JPY KMF KRW PYG RWF UGX UYI VND VUV XAF XOF XPF',
  3: 'BHD IQD JOD KWD LYD OMR TND',
  4: 'CLF UYW',
}

const BY_CODE: ReadonlyMap<string, number> = new Map(
  Object.entries(DIGITS).flatMap(([digits, codes]) => codes.split(' ').map((code) => [code, Number(digits)] as const)),
)

/** How many digits a currency has behind the point (ISO 4217); two for most, and for a code that is none. */
export const minorDigits = (currency: string): number => BY_CODE.get(currency) ?? 2
