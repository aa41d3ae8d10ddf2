import { type Catalogue, entryName } from '../catalogue'
import type { Entry, Id, PageType } from '../model'
import type { Offer } from '../fields'
import { clockIn, isDay, isMoment, momentIn, type LocalTime, dayOfClock } from '../time'
import { type Minor, minorOf } from '../selling'

/** Entries that are sold: what each is to a basket, at the price and in the number that it has just now. */

export interface Goods {
  /** By which it is counted: the entry, or one of its offers. */
  sku: string
  entry: Id
  offer: Id | null
  type: Id
  title: string
  /** What the offer is called; empty where there is none. */
  label: string
  each: Minor
  /** How many there are left; null: without end. */
  left: number | null
  /** So many of it in one order. */
  most: number
  tax: Id
  delivers: boolean
  /** The day or moment that it is for; empty where it is for none. */
  on: string
}

/** How many of a thing are held or sold, by its sku. */
export type Taken = (sku: string) => number

/** Nobody needs more of one thing in one order. */
export const MOST_OF_ONE = 999

export const skuOf = (entry: Id, offer: Id | null): string => (offer === null ? entry : `${entry}/${offer}`)

const offersIn = (entry: Entry, { sells }: PageType): Offer[] => {
  const held = sells?.offers ? entry.fields[sells.offers] : undefined
  return Array.isArray(held) ? (held as Offer[]) : []
}

const whole = (value: unknown): number | null =>
  typeof value === 'number' && Number.isFinite(value) ? Math.max(0, Math.floor(value)) : null

/** A day, or a moment on the clocks of the site (`YYYY-MM-DDTHH:MM`); empty where it is none. */
function dayOrMoment(value: unknown, timeZone: string): string {
  if (isDay(value)) return value
  if (!isMoment(value)) return ''
  const at = momentIn(value, timeZone)
  return at === null ? '' : clockIn(timeZone, at)
}

interface Around {
  catalogue: Catalogue
  taken: Taken
  /** `YYYY-MM-DDTHH:MM` of the site's clocks: what was for a time before it is sold no more. Null: whatever the time. */
  now: LocalTime | null
}

const isOver = (on: string, now: LocalTime | null): boolean =>
  now !== null && on !== '' && (isDay(on) ? on < dayOfClock(now) : on <= now)

function made(entry: Entry, type: PageType, offer: Offer | null, { catalogue, taken, now }: Around): Goods | null {
  const sells = type.sells!
  const { currency, timeZone } = catalogue.site.settings
  const each = minorOf(offer?.price ?? entry.fields[sells.price], currency)
  const on = dayOrMoment(offer?.day, timeZone) || dayOrMoment(sells.on && entry.fields[sells.on], timeZone)
  if (each === null || isOver(on, now)) return null
  const sku = skuOf(entry.id, offer?.id ?? null)
  const stock = offer ? (offer.stock ?? null) : sells.stock ? whole(entry.fields[sells.stock]) : null
  // A field that says how many there are, and says nothing, has none to give.
  const none = !offer && sells.stock !== undefined && stock === null
  return {
    sku,
    entry: entry.id,
    offer: offer?.id ?? null,
    type: type.id,
    title: entryName(entry, type),
    label: offer?.label ?? '',
    each,
    left: none ? 0 : stock === null ? null : Math.max(0, stock - taken(sku)),
    most: Math.min(Math.max(1, sells.most), MOST_OF_ONE),
    tax: sells.tax,
    delivers: sells.delivers,
    on,
  }
}

/** All that is sold of an entry: each of its offers, or it alone; none where it is not for sale. */
export function goodsOfEntry(id: Id, around: Around): Goods[] {
  const { catalogue } = around
  const entry = catalogue.entries.get(id)
  const type = entry && catalogue.types.get(entry.type)
  if (!entry || !type?.sells || !catalogue.isOut(entry)) return []
  const offers = offersIn(entry, type)
  return (offers.length > 0 ? offers : [null]).flatMap((offer) => made(entry, type, offer, around) ?? [])
}

/** One thing that is sold; null where it is not, or not any more. */
export const goodsOf = (entry: Id, offer: Id | null, around: Around): Goods | null =>
  goodsOfEntry(entry, around).find((g) => g.offer === offer) ?? null

/** How many of it may be in a basket: what is left, and what one order may have. */
export const mostOf = ({ left, most }: Pick<Goods, 'left' | 'most'>): number => Math.min(left ?? most, most)
