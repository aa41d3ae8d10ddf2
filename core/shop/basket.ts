import { exact, id, key, list, orNull, record, text, whole, shapeOf, oneOf } from '../shape'
import type { Id } from '../model'
import { type Goods, MOST_OF_ONE, mostOf } from './goods'
import { type Minor, MOST_MONEY } from '../selling'

/** What a visitor gathers. A basket says what is in it and what it cost when it was put there; all else is asked anew. */

export interface BasketLine {
  id: Id
  entry: Id
  offer: Id | null
  count: number
  /** What one cost when the visitor saw it last. */
  seen: Minor
}

export interface Basket {
  format: 1
  lines: BasketLine[]
  /** A discount code, as it was typed; empty: none. */
  code: string
  /** What was said at the checkout so far, by names of fields. */
  said: Record<string, string>
  /** What was taken out last, and where it stood. */
  removed: { line: BasketLine; at: number } | null
}

export const EMPTY_BASKET: Basket = { format: 1, lines: [], code: '', said: {}, removed: null }

/** No basket has more lines. */
export const MOST_LINES = 60
/** No field of the checkout holds more. */
export const MOST_SAID = 2000

const lineShape = exact({
  id: id(),
  entry: key(),
  offer: orNull(id()),
  count: whole(1, MOST_OF_ONE, 'a basket has whole numbers of things'),
  seen: whole(0, MOST_MONEY),
})

export const basketShape = shapeOf<Basket>()(
  exact({
    format: oneOf([1], 'it is of another format'),
    lines: list(lineShape, MOST_LINES),
    code: text(60),
    said: record(/^[\w.-]{1,120}$/, text(MOST_SAID), 120),
    removed: orNull(exact({ line: lineShape, at: whole(0, MOST_LINES) })),
  }),
)

/** How many things are in it. */
export const countIn = ({ lines }: Pick<Basket, 'lines'>): number => lines.reduce((sum, l) => sum + l.count, 0)

const isOf = (line: BasketLine, { entry, offer }: Pick<Goods, 'entry' | 'offer'>): boolean =>
  line.entry === entry && line.offer === offer

/** Puts things in: onto their line where they have one. No more than there are; none, where it is full. */
export function putIn(basket: Basket, goods: Goods, count: number, fresh: () => Id): Basket {
  const most = mostOf(goods)
  const at = basket.lines.findIndex((line) => isOf(line, goods))
  const had = at < 0 ? 0 : basket.lines[at]!.count
  const next = Math.min(had + count, most)
  if (next <= 0 || (at < 0 && basket.lines.length >= MOST_LINES)) return basket
  const { entry, offer, each: seen } = goods
  if (at < 0)
    return { ...basket, lines: [...basket.lines, { id: fresh(), entry, offer, count: next, seen }], removed: null }
  return {
    ...basket,
    lines: basket.lines.with(at, { ...basket.lines[at]!, count: Math.max(next, had), seen }),
    removed: null,
  }
}

/** Has so many of a line; none takes it out. */
export function setCount(basket: Basket, line: Id, count: number): Basket {
  const at = basket.lines.findIndex((l) => l.id === line)
  if (at < 0) return basket
  if (count <= 0) return takeOut(basket, line)
  if (basket.lines[at]!.count === count) return basket
  return { ...basket, lines: basket.lines.with(at, { ...basket.lines[at]!, count: Math.min(count, MOST_OF_ONE) }) }
}

/** Takes a line out; it can be put back until something else is taken out. */
export function takeOut(basket: Basket, line: Id): Basket {
  const at = basket.lines.findIndex((l) => l.id === line)
  if (at < 0) return basket
  return { ...basket, lines: basket.lines.toSpliced(at, 1), removed: { line: basket.lines[at]!, at } }
}

/** Puts back what was taken out last, where it stood. */
export function putBack(basket: Basket): Basket {
  const { removed, lines } = basket
  if (!removed || lines.length >= MOST_LINES) return basket
  const { line, at } = removed
  const same = lines.findIndex((l) => isOf(l, line))
  if (same >= 0) return { ...basket, removed: null }
  return { ...basket, lines: lines.toSpliced(Math.min(at, lines.length), 0, line), removed: null }
}

/** One basket of two: what is in both is as many as the larger of them says. */
export function merged(into: Basket, other: Basket): Basket {
  const lines = [...into.lines]
  for (const line of other.lines) {
    const at = lines.findIndex((l) => isOf(l, line))
    if (at >= 0) lines[at] = { ...lines[at]!, count: Math.max(lines[at]!.count, line.count) }
    else if (lines.length < MOST_LINES) lines.push(line)
  }
  return { ...into, lines, code: into.code || other.code, said: { ...other.said, ...into.said }, removed: null }
}

/** What changed of a line since the visitor saw it last. */
export type LineChange = 'gone' | 'none-left' | 'fewer' | 'price'

export interface SeenLine {
  line: BasketLine
  /** As it is sold now; null where it is not any more. */
  goods: Goods | null
  /** How many of it can be had. */
  count: number
  changes: LineChange[]
}

/** A basket as it stands just now: what can be had of each line, and what is not as it was. */
export function looked(basket: Basket, goodsOf: (entry: Id, offer: Id | null) => Goods | null): SeenLine[] {
  // What stands on two lines is had once.
  const had = new Map<string, number>()
  return basket.lines.map((line): SeenLine => {
    const found = goodsOf(line.entry, line.offer)
    const before = found ? (had.get(found.sku) ?? 0) : 0
    const goods =
      found && before > 0 && found.left !== null ? { ...found, left: Math.max(0, found.left - before) } : found
    if (!goods) return { line, goods, count: 0, changes: ['gone'] }
    const most = mostOf(goods)
    const changes: LineChange[] = []
    if (most === 0) changes.push('none-left')
    else if (line.count > most) changes.push('fewer')
    if (goods.each !== line.seen) changes.push('price')
    had.set(goods.sku, before + Math.min(line.count, most))
    return { line, goods, count: Math.min(line.count, most), changes }
  })
}

/** The basket once the visitor has seen what changed: prices and numbers as they are; what is gone stays to be seen. */
export function caughtUp(basket: Basket, lines: readonly SeenLine[]): Basket {
  const next = basket.lines.map((line) => {
    const seen = lines.find((l) => l.line.id === line.id)
    if (!seen?.goods || seen.count === 0) return line
    return seen.count === line.count && seen.goods.each === line.seen
      ? line
      : { ...line, count: seen.count, seen: seen.goods.each }
  })
  return next.every((line, i) => line === basket.lines[i]) ? basket : { ...basket, lines: next }
}

/** A quantity as it was typed: a whole number from `least` on, and none larger than anybody needs; null for any other. */
export function quantityOf(typed: string | undefined, least = 1): number | null {
  if (typed === undefined || !/^\s*\d{1,4}\s*$/.test(typed)) return null
  const count = Number(typed)
  return count >= least && count <= MOST_OF_ONE ? count : null
}
