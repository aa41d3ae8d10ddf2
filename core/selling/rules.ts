import {
  exact,
  id,
  key,
  list,
  numeric,
  optional,
  orNull,
  pattern,
  text,
  whole,
  yesNo,
  type Id,
  shapeOf,
  oneOf,
} from '../shape'

/** What of a site is sold, and by what rules: taxes, ways of delivery, and for how long things are held and kept. */

/** How entries of a type are sold; each is named by the field that says it. */
export interface Sells {
  /** A field of money. */
  price: Id
  /** A number: how many there are in all, sold ones too. Without it there is no end of them. */
  stock?: Id
  /** So many of one thing in one order. */
  most: number
  /** A tax class of the shop. */
  tax: Id
  /** Whether somebody has to bring it to the buyer. */
  delivers: boolean
  /** A day or moment that it is for: before it, it is sold; on it, it is called for. */
  on?: Id
  /** Of kind `offers`: what one chooses among, each at a price and in a number of its own. */
  offers?: Id
}

export const sellsShape = shapeOf<Sells>()(
  exact({
    price: key(),
    stock: optional(key()),
    most: whole(1, 999, 'one order has 1 to 999 of a thing'),
    tax: id(),
    delivers: yesNo(),
    on: optional(key()),
    offers: optional(key()),
  }),
)

/** A class of goods by tax: its rate, in percent, and those of countries where it is another. */
export interface TaxClass {
  id: Id
  label: string
  rate: number
  elsewhere: { country: string; rate: number }[]
}

/** A way in which goods come to the buyer; money as it is typed. */
export interface DeliveryWay {
  id: Id
  label: string
  about: string
  price: number
  /** For goods of so much it costs nothing; null: it always costs. */
  freeFrom: number | null
  /** None: everywhere. */
  countries: string[]
  /** Nobody brings it: it is called for, and asks for no address. */
  collected: boolean
}

export interface ShopSettings {
  format: 1
  taxes: TaxClass[]
  /** Whether prices have the tax in them. */
  included: boolean
  /** The tax class of what delivery costs. */
  deliveryTax: Id
  deliveries: DeliveryWay[]
  /** Where buyers may live; none: anywhere. */
  countries: string[]
  /** The country that stands first. */
  country: string
  /** For how many minutes goods are held for whoever has yet to pay. */
  hold: number
  /** Days after which personal data of orders is removed. */
  keep: number
  /** Where a copy of every order is mailed; empty: nowhere. */
  mail: string
  /** What stands before the number of an order. */
  prefix: string
}

export const COUNTRY = /^[A-Z]{2}$/
const country = () => pattern(COUNTRY, 'a country is two letters, as GB')
const rate = () => numeric(0, 100, 'a rate is from 0 to 100 percent')

export const shopShape = shapeOf<ShopSettings>()(
  exact({
    format: oneOf([1], 'it is of another format'),
    taxes: list(
      exact({
        id: id(),
        label: text(80),
        rate: rate(),
        elsewhere: list(exact({ country: country(), rate: rate() }), 300),
      }),
      20,
    ).min(1, 'a shop has one tax class at least'),
    included: yesNo(),
    deliveryTax: id(),
    deliveries: list(
      exact({
        id: id(),
        label: text(120),
        about: text(300),
        price: numeric(0, 1e9, 'delivery costs from 0 on'),
        freeFrom: orNull(numeric(0, 1e9)),
        countries: list(country(), 300),
        collected: yesNo(),
      }),
      30,
    ),
    countries: list(country(), 300),
    country: country(),
    hold: whole(5, 1440, 'goods are held for 5 to 1440 minutes'),
    keep: whole(1, 20_000, 'personal data is kept for 1 day at least'),
    mail: pattern(/^$|^[^\s@]+@[^\s@]+$/, 'this is no mail address').max(254),
    prefix: pattern(/^[A-Za-z0-9-]{0,12}$/, 'a number begins with at most 12 letters or digits'),
  }),
)

/** The rules of a shop before anybody has said any. */
export const PLAIN_SHOP: ShopSettings = {
  format: 1,
  taxes: [{ id: 'full', label: 'Tax', rate: 0, elsewhere: [] }],
  included: true,
  deliveryTax: 'full',
  deliveries: [],
  countries: [],
  country: 'GB',
  hold: 30,
  keep: 3650,
  mail: '',
  prefix: '',
}
