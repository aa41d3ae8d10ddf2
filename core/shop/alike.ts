import type { LocalTime } from '../time'
import type { Catalogue } from '../catalogue'
import type { Entry, Id } from '../model'
import { type Goods, goodsOfEntry } from './goods'

/** Something else that is sold: an entry, with the least of its prices. */
export interface Alike {
  entry: Entry
  from: Goods
  /** Whether it is sold at more than one price. */
  several: boolean
}

/**
 * What else a shop has for whoever looks at some entries: what shares most of their terms comes first, then what is of
 * the same page type, then in the order of the site; nothing of what they look at, and nothing that is sold out.
 */
export function alikeTo(looked: readonly Id[], catalogue: Catalogue, now: LocalTime, most: number): Alike[] {
  const known = new Set(looked)
  const entries = looked.flatMap((id) => catalogue.entries.get(id) ?? [])
  const terms = new Set(entries.flatMap((e) => e.terms))
  const types = new Set(entries.map((e) => e.type))
  const sold = [...catalogue.types.values()].filter((t) => t.sells).flatMap((t) => catalogue.entriesOfType(t.id))
  const nearness = ({ terms: own, type }: Entry) =>
    2 * own.filter((t) => terms.has(t)).length + (types.has(type) ? 1 : 0)
  const near = sold.filter((e) => !known.has(e.id)).map((entry) => ({ entry, is: nearness(entry) }))
  near.sort((a, b) => b.is - a.is)
  const found: Alike[] = []
  for (const { entry } of near) {
    if (found.length >= most) break
    const goods = goodsOfEntry(entry.id, { catalogue, taken: catalogue.taken, now }).filter((g) => g.left !== 0)
    const from = goods.reduce((least: Goods | null, g) => (least && least.each <= g.each ? least : g), null)
    if (from) found.push({ entry, from, several: goods.some((g) => g.each !== from.each) })
  }
  return found
}
