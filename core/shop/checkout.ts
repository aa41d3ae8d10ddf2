import { addressIn, cleaned } from '../forms'
import type { DeliveryWay, ShopSettings } from '../selling'
import {
  ADDRESS_PARTS,
  type Address,
  type AddressPart,
  MOST_PART,
  addressParts,
  addressProblems,
  allCountries,
} from './addresses'
import { MOST_SAID, type SeenLine } from './basket'

/** What is asked at the checkout, what was said there, and what is wrong with it; by names of fields. */

export type Said = Readonly<Record<string, string>>

/** Names of fields. */
export const FIELD = {
  name: 'c.name',
  mail: 'c.mail',
  phone: 'c.phone',
  same: 'd.same',
  way: 'way',
  note: 'note',
  payment: 'pay',
} as const
/** More than any field but the note takes, so that what is too long is told and not cut unseen. */
const MOST_FIELD = 400
/** No order keeps the words of more. */
export const MOST_CONSENTS = 20
export type AddressUse = 'billing' | 'delivery'
const OF: Record<AddressUse, string> = { billing: 'b', delivery: 'd' }
export const addressField = (use: AddressUse, part: AddressPart | 'country'): string => `${OF[use]}.${part}`
export const consentField = (id: string): string => `agree.${id}`

const KNOWN: ReadonlySet<string> = new Set([
  ...Object.values(FIELD),
  ...(['billing', 'delivery'] as const).flatMap((use) =>
    [...ADDRESS_PARTS, 'country' as const].map((part) => addressField(use, part)),
  ),
])
const CONSENT = /^agree\.[\w-]{1,60}$/
/** A consent is a word. */
const MOST_CONSENT = 10

/**
 * What is kept of what a checkout page sends: the fields that checkouts have, and of them those that `asks` says stand there.
 * One that is too long for its kind is cut where it can only be refused.
 */
export function checkoutFields(values: Said, asks: (name: string) => boolean): Record<string, string> {
  const kept: Record<string, string> = {}
  for (const [name, value] of Object.entries(values)) {
    if (!asks(name)) continue
    if (KNOWN.has(name)) kept[name] = value.slice(0, name === FIELD.note ? MOST_SAID : MOST_FIELD)
    else if (CONSENT.test(name)) kept[name] = value.slice(0, MOST_CONSENT)
  }
  return kept
}

/** Why something cannot be taken; the words for it are the designer's. */
export const CHECKOUT_WORDS = {
  missing: 'Please fill this in.',
  mail: 'This is no mail address. One looks like name@example.org.',
  phone: 'A telephone number has digits, spaces and a few signs.',
  code: 'This is no postal code of that country.',
  country: 'We do not sell to this country.',
  way: 'Please choose how it comes to you.',
  'way-not-there': 'It cannot come that way to where you live. Please choose another one.',
  payment: 'Please choose how you pay.',
  agree: 'Please agree to this before you order.',
  long: 'This is too long.',
  quantity: 'Please say a whole number, from 0 on.',
  empty: 'There is nothing in your basket that can be bought.',
  changed: 'Something in your basket has changed. Please look at it, and order again.',
  gone: 'This is not sold any more.',
  'none-left': 'None of this is left.',
  fewer: 'There are fewer of this than you wanted.',
  price: 'This costs something else now.',
  wrong: 'It was not ordered yet. Please look at this again:',
  stale: 'This page stood open for long. Nothing was ordered; please press once more.',
  held: 'You hold as much of this as one order may have, and have not paid for it yet. Please pay for that order first.',
  often: 'Too much was ordered from your place. Please try again in a few minutes.',
  away: 'The way of paying does not answer just now. It is ordered and held for you; please press once more in a moment.',
} as const
export type CheckoutWord = keyof typeof CHECKOUT_WORDS
export type CheckoutProblems = Readonly<Record<string, CheckoutWord>>

/** What a checkout asks: its parts that are on the page, whatever the page looks like. */
export interface AskedCheckout {
  shop: ShopSettings
  locale: string
  lines: readonly SeenLine[]
  asks: ReadonlySet<'buyer' | 'billing' | 'delivery' | 'way' | 'note' | 'payment'>
  phoneNeeded: boolean
  consents: readonly { id: string; words: string; needed: boolean }[]
  payments: readonly string[]
}

/** Whether anything in a basket has to be brought. */
export const needsDelivery = (lines: readonly SeenLine[]): boolean =>
  lines.some((l) => l.goods?.delivers && l.count > 0)

/** The countries to which a shop sells. */
export const soldTo = ({ countries }: ShopSettings, locale: string): { id: string; name: string }[] =>
  allCountries(locale).filter((c) => countries.length === 0 || countries.includes(c.id))

/** The country of an address as far as it was said. */
export function countryOf(said: Said, use: AddressUse, shop: ShopSettings): string {
  const typed = said[addressField(use, 'country')] ?? ''
  return /^[A-Z]{2}$/.test(typed) ? typed : shop.country
}

/** An address as it was said: of the parts that its country has. */
export function addressSaid(said: Said, use: AddressUse, shop: ShopSettings): Address {
  const country = countryOf(said, use, shop)
  const parts = new Set(addressParts(country))
  const say = (part: AddressPart) =>
    parts.has(part) ? cleaned(said[addressField(use, part)] ?? '', false).slice(0, MOST_PART) : ''
  return { country, ...(Object.fromEntries(ADDRESS_PARTS.map((p) => [p, say(p)])) as Record<AddressPart, string>) }
}

/** Whether it comes to another address than the bill. */
export const isSame = (said: Said): boolean => said[FIELD.same] !== 'no'

/** Where it is brought, as far as it was said: by the address that the page asks for. */
export function deliveryUse({ asks }: Pick<AskedCheckout, 'asks'>, said: Said): AddressUse {
  return asks.has('delivery') && (!asks.has('billing') || !isSame(said)) ? 'delivery' : 'billing'
}

/** The ways in which it can come to a country. */
export const waysTo = ({ deliveries }: ShopSettings, country: string): DeliveryWay[] =>
  deliveries.filter((w) => w.collected || w.countries.length === 0 || w.countries.includes(country))

export interface Agreed {
  buyer: { name: string; mail: string; phone: string }
  billing: Address | null
  delivery: Address | null
  way: DeliveryWay | null
  /** The country whose taxes hold. */
  country: string
  note: string
  consents: string[]
  payment: string
}

/** The way that was chosen, or the only one that there is; null where nothing is brought. */
export function wayOf(asked: Pick<AskedCheckout, 'shop' | 'lines' | 'asks'>, said: Said): DeliveryWay | null {
  if (!needsDelivery(asked.lines)) return null
  const ways = waysTo(asked.shop, countryOf(said, deliveryUse(asked, said), asked.shop))
  return ways.find((w) => w.id === said[FIELD.way]) ?? (ways.length === 1 ? ways[0]! : null)
}

/**
 * The country whose taxes hold: that of the shop for what is collected there, else where it is brought to, else where
 * the bill goes. Only an address that is asked for, and so judged, counts.
 */
export function taxCountry(asked: Pick<AskedCheckout, 'shop' | 'lines' | 'asks'>, said: Said): string {
  const { asks, shop, lines } = asked
  const brought = needsDelivery(lines)
  if (brought && wayOf(asked, said)?.collected) return shop.country
  const use = brought ? deliveryUse(asked, said) : 'billing'
  return asks.has(use) ? countryOf(said, use, shop) : shop.country
}

/** Judges what was said at a checkout: by what it asks alone, whatever a browser sent. */
export function judgeCheckout(asked: AskedCheckout, said: Said): { agreed: Agreed; problems: CheckoutProblems } {
  const problems: Record<string, CheckoutWord> = {}
  const { shop, locale, lines, asks } = asked
  const say = (name: string, most: number, lines = false): string => {
    const words = cleaned(said[name] ?? '', lines)
    if ([...words].length > most) problems[name] = 'long'
    return words.slice(0, most)
  }
  const buyer = { name: say(FIELD.name, 200), mail: say(FIELD.mail, 254), phone: say(FIELD.phone, 60) }
  if (!buyer.name) problems[FIELD.name] = 'missing'
  if (!buyer.mail) problems[FIELD.mail] = 'missing'
  else if (addressIn(buyer.mail) !== buyer.mail) problems[FIELD.mail] = 'mail'
  if (asked.phoneNeeded && !buyer.phone) problems[FIELD.phone] = 'missing'
  else if (buyer.phone && !/^\+?[\d\s()./-]{3,40}$/.test(buyer.phone)) problems[FIELD.phone] = 'phone'
  const brought = needsDelivery(lines)
  const way = wayOf(asked, said)
  const to = deliveryUse(asked, said)
  const wanted = new Set<AddressUse>()
  if (asks.has('billing')) wanted.add('billing')
  if (brought && !way?.collected) wanted.add(to)
  const countries = soldTo(shop, locale)
  const address = (use: AddressUse): Address | null => {
    if (!wanted.has(use)) return null
    const found = addressSaid(said, use, shop)
    if (!countries.some((c) => c.id === found.country)) problems[addressField(use, 'country')] = 'country'
    for (const [part, why] of Object.entries(addressProblems(found)))
      problems[addressField(use, part as AddressPart)] = why
    for (const part of addressParts(found.country)) {
      const field = addressField(use, part)
      if (cleaned(said[field] ?? '', false).length > MOST_PART) problems[field] = 'long'
    }
    return found
  }
  const [billing, delivered] = [address('billing'), to === 'delivery' ? address('delivery') : null]
  const delivery = brought && !way?.collected ? (to === 'delivery' ? delivered : billing) : null
  if (brought && !way) problems[FIELD.way] = said[FIELD.way] ? 'way-not-there' : 'way'
  const note = say(FIELD.note, 2000, true)
  const consents = asked.consents.filter((c) => said[consentField(c.id)] === 'yes')
  for (const { id, needed } of asked.consents)
    if (needed && said[consentField(id)] !== 'yes') problems[consentField(id)] = 'agree'
  const { payments } = asked
  const payment = payments.find((p) => p === said[FIELD.payment]) ?? (payments.length === 1 ? payments[0]! : '')
  if (!payment) problems[FIELD.payment] = 'payment'
  const agreed = { buyer, billing, delivery, way, country: taxCountry(asked, said), note, payment }
  return { agreed: { ...agreed, consents: consents.map((c) => c.words).slice(0, MOST_CONSENTS) }, problems }
}
