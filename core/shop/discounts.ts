import { exact, id, list, numeric, oneOf, orNull, pattern, whole, yesNo, shapeOf } from '../shape'
import type { Id } from '../model'

/** A code by which something costs less. */
export interface DiscountCode {
  format: 1
  code: string
  kind: 'percent' | 'amount'
  /** Percent, or money as it is typed. */
  value: number
  /** Goods must come to so much; as it is typed. */
  least: number
  /** Days of the site's clocks on which it holds; empty: without end. */
  from: string
  until: string
  /** How often it may be used in all; null: without end. */
  most: number | null
  /** Page types whose goods cost less; none: all. */
  types: Id[]
  on: boolean
}

const day = () => pattern(/^$|^\d{4}-\d{2}-\d{2}$/, 'a day is written as 2027-01-31')

/** Codes are told apart without regard to capitals and what stands around them. */
export const codeOf = (typed: string): string => typed.trim().toUpperCase()

export const discountShape = shapeOf<DiscountCode>()(
  exact({
    format: oneOf([1], 'it is of another format'),
    code: pattern(/^[A-Z0-9-]{3,40}$/, 'A code is 3 to 40 capitals, digits or hyphens'),
    kind: oneOf(['percent', 'amount'], 'It takes off percent, or an amount'),
    value: numeric(0.01, 1e9, 'It takes off more than nothing'),
    least: numeric(0, 1e9, 'Goods come to 0 or more'),
    from: day(),
    until: day(),
    most: orNull(whole(1, 1e9, 'A code may be used once at least')),
    types: list(id(), 100),
    on: yesNo(),
  }),
)
