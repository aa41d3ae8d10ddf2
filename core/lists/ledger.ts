import type { Catalogue } from '../catalogue'
import type { Entry, Id } from '../model'
import { type Bits, both, hasBit, noBits, putBit } from './bits'
import { Column } from './column'
import { Order, type Sorting, sortingKey } from './order'
import { keysOf, measureOf, readerOf } from './reading'

/** Room for so many more entries before all is begun anew. */
const SPARE = 512
/** So many sets and orders are kept at most; which ones there are is said by designs, and by visitors within bounds. */
const MOST_KEPT = 400
const MOST_ORDERS = 40

interface KeptSet {
  bits: Bits
  holds(entry: Entry): boolean
}

/**
 * The entries that visitors can see, each at a number of its own, and what lists ask of them again and again, kept
 * ready: who passes a test, what a field holds, in which order they stand. It follows the catalogue's changes one by
 * one, so that a change costs what it touches; everything in it is made at its first use.
 */
export class Ledger {
  private readonly at = new Map<Id, number>()
  private readonly free: number[] = []
  /** Entries by their numbers; gaps where one has gone. */
  readonly entries: (Entry | undefined)[] = []
  capacity = 0
  /** All that are out. */
  all: Bits = noBits(0)
  private readonly sets = new Map<string, KeptSet>()
  private readonly columns = new Map<string, Column>()
  private readonly orders = new Map<string, Order>()

  constructor(private readonly catalogue: Catalogue) {
    const out = catalogue.site.entries.filter(catalogue.isOut)
    this.begin(out)
    catalogue.followedBy((id, entry) => this.take(id, entry))
  }

  private begin(out: readonly Entry[]): void {
    this.capacity = (out.length + SPARE + (out.length >>> 3) + 31) & ~31
    this.at.clear()
    this.free.length = 0
    this.entries.length = 0
    for (const kept of [this.sets, this.columns, this.orders]) kept.clear()
    this.all = noBits(this.capacity)
    for (const entry of out) this.put(this.entries.length, entry)
  }

  private put(at: number, entry: Entry): void {
    this.entries[at] = entry
    this.at.set(entry.id, at)
    putBit(this.all, at, true)
  }

  /** Takes over an entry as it is now, or that visitors do not see it any more. */
  private take(id: Id, entry: Entry | null): void {
    const was = this.at.get(id)
    if (was === undefined && !entry) return
    const at = was ?? this.free.pop() ?? this.entries.length
    if (at >= this.capacity) {
      const out = this.entries.filter((e): e is Entry => e !== undefined)
      return this.begin([...out, entry!])
    }
    for (const order of this.orders.values()) order.remove(at)
    if (entry) this.put(at, entry)
    else this.drop(at, id)
    for (const { bits, holds } of this.sets.values()) putBit(bits, at, entry !== null && holds(entry))
    for (const column of this.columns.values()) column.set(at, entry)
    if (entry) for (const order of this.orders.values()) order.insert(at)
  }

  private drop(at: number, id: Id): void {
    this.at.delete(id)
    this.entries[at] = undefined
    this.free.push(at)
    putBit(this.all, at, false)
  }

  /** The number of an entry that is out. */
  numberOf(id: Id): number | undefined {
    return this.at.get(id)
  }

  /** Those of which a test holds, kept under a key that says all that the test depends on. */
  setOf(key: string, holds: (entry: Entry) => boolean): Bits {
    const kept = this.sets.get(key)
    if (kept) return kept.bits
    if (this.sets.size >= MOST_KEPT) this.sets.clear()
    const bits = this.passing(holds)
    this.sets.set(key, { bits, holds })
    return bits
  }

  /** Those of which a test holds, found out now. */
  passing(holds: (entry: Entry) => boolean): Bits {
    const bits = noBits(this.capacity)
    for (let at = 0; at < this.entries.length; at++) {
      const entry = this.entries[at]
      if (entry && holds(entry)) putBit(bits, at, true)
    }
    return bits
  }

  /** These entries, of which only those that are out count. */
  of(ids: Iterable<Id>): Bits {
    const bits = noBits(this.capacity)
    for (const id of ids) {
      const at = this.at.get(id)
      if (at !== undefined) putBit(bits, at, true)
    }
    return bits
  }

  private column(key: string, make: () => Column): Column {
    let column = this.columns.get(key)
    if (column) return column
    column = make()
    this.entries.forEach((entry, at) => entry && column.set(at, entry))
    this.columns.set(key, column)
    return column
  }

  /** Tells of an entry under which keys it is found by a field. */
  keysFor(field: Id): (entry: Entry) => readonly string[] {
    return keysOf(this.catalogue, readerOf(this.catalogue, field))
  }

  /** By which keys entries are found under a field: its choices, terms, people, texts. */
  keys(field: Id): Column {
    return this.column(`keys ${field}`, () => Column.ofKeys(this.capacity, this.keysFor(field)))
  }

  /** By which keys entries are found that are in a term itself, or a person's. */
  belonging(to: 'term' | 'person'): Column {
    const own = (entry: Entry): readonly string[] =>
      to === 'term' ? [...new Set(entry.terms)] : entry.person === null ? [] : [entry.person]
    return this.column(`of ${to}`, () => Column.ofKeys(this.capacity, own))
  }

  /** Those of a set that are found under a key of a field. */
  both(of: Bits, field: Id, key: string): Bits {
    return both(of, this.keys(field).bits(key))
  }

  /** What entries measure by a field. */
  measures(field: Id, as: 'number' | 'day'): Column {
    const make = () => measureOf(this.catalogue, readerOf(this.catalogue, field), as)
    return this.column(`${as} ${field}`, () => Column.ofNumbers(this.capacity, make()))
  }

  /** All that are out, in an order. */
  order(sorting: Sorting): Order {
    const key = sortingKey(sorting)
    let order = this.orders.get(key)
    if (order) return order
    if (this.orders.size >= MOST_ORDERS) this.orders.clear()
    order = new Order(this.catalogue, sorting, this.entries, this.capacity)
    order.fill(this.numbers())
    this.orders.set(key, order)
    return order
  }

  private numbers(): number[] {
    const numbers: number[] = []
    for (let at = 0; at < this.entries.length; at++) if (hasBit(this.all, at)) numbers.push(at)
    return numbers
  }
}

const LEDGERS = new WeakMap<Catalogue, Ledger>()

/** The ledger of a catalogue; made at its first use, and kept in step with it from then on. */
export function ledgerOf(catalogue: Catalogue): Ledger {
  let ledger = LEDGERS.get(catalogue)
  if (!ledger) LEDGERS.set(catalogue, (ledger = new Ledger(catalogue)))
  return ledger
}
