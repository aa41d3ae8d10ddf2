import { type Id, exact, id, list, numeric, optional, orNull, pattern, refuse, text, whole } from '../shape'
import { isDay, isMoment } from '../time'
import { AS_JSON, UNLISTED } from './families'
import type { FieldSpec } from './spec'
import { isObject, jsonIn, listOf } from './values'

/** One of the sorts in which an entry is sold: a size, a day. What it does not say is as of the entry. */
export interface Offer {
  id: Id
  label: string
  /** `YYYY-MM-DD`, or with `THH:MM`. */
  day?: string
  price?: number | null
  /** How many there are in all; null: without end. */
  stock?: number | null
}

export const MOST_OFFERS = 100

const day = pattern(/^\d{4}-\d{2}-\d{2}(T\d{2}:\d{2})?$/, 'a day is written as 2027-01-31').test(
  'day',
  'there is no such day',
  (v) => v === undefined || v === null || isDay(v) || isMoment(v),
)
const shape = list(
  exact({
    id: id(),
    label: text(200),
    day: optional(day),
    price: optional(orNull(numeric(0, 1e9, 'a price is 0 or more'))),
    stock: optional(orNull(whole(0, 1e9, 'a stock is a whole number from 0 on'))),
  }),
  MOST_OFFERS,
)

export const offers: FieldSpec = {
  ...UNLISTED,
  ...AS_JSON,
  label: 'Sorts to choose among',
  about: 'Sizes or days in which it is sold, each at a price and in a number.',
  roles: ['offers'],
  shape,
  suits: listOf(isObject),
  drawn: 'words',
  linked: false,
  convert(value) {
    const json = jsonIn(value)
    return json !== undefined && json !== null && refuse(shape, json) === null ? json : null
  },
  input: 'offers',
}
