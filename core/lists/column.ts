import type { Entry } from '../model'
import { type Bits, countBoth, eachBit, hasBit, noBits, putBit } from './bits'

const NONE: readonly string[] = []

/** One of so many numbers as bits takes as much room as the numbers themselves would. */
const BITS_EACH = 256

/** Those that one key finds: few as their numbers, many as bits, so that keys without number take no more room than what they find. */
class Found {
  private few: number[] = []
  private many: Bits | null = null

  constructor(private readonly capacity: number) {}

  put(at: number, on: boolean): void {
    if (this.many) return putBit(this.many, at, on)
    if (!on) this.few = this.few.filter((one) => one !== at)
    else if (!this.few.includes(at)) this.few.push(at)
    if (this.few.length > this.capacity / BITS_EACH) [this.many, this.few] = [this.bits, []]
  }

  get bits(): Bits {
    if (this.many) return this.many
    const bits = noBits(this.capacity)
    for (const at of this.few) putBit(bits, at, true)
    return bits
  }

  /** How many of them are in a set. */
  countIn(of: Bits): number {
    if (this.many) return countBoth(this.many, of)
    let count = 0
    for (const at of this.few) if (hasBit(of, at)) count++
    return count
  }
}

/** What numbers come to: how many there are, their sum, the least and the most; infinite where there are none. */
export interface Totals {
  count: number
  sum: number
  least: number
  most: number
}

/** What a field holds for every entry by its number: keys, each with the set of those that it finds, or a measure. */
export class Column {
  /** What each key finds; of a column of measures there is nothing. */
  private readonly found = new Map<string, Found>()
  private readonly keys: (readonly string[] | undefined)[] = []
  /** Measures by numbers; of a column of keys there are none. */
  readonly measures: Float64Array

  private constructor(
    private readonly capacity: number,
    private readonly keysOf: ((entry: Entry) => readonly string[]) | null,
    private readonly measureOf: ((entry: Entry) => number) | null,
  ) {
    this.measures = new Float64Array(measureOf ? capacity : 0).fill(NaN)
  }

  static ofKeys(capacity: number, keysOf: (entry: Entry) => readonly string[]): Column {
    return new Column(capacity, keysOf, null)
  }

  static ofNumbers(capacity: number, measureOf: (entry: Entry) => number): Column {
    return new Column(capacity, null, measureOf)
  }

  /** Takes over what an entry holds now; null for one that has gone. */
  set(at: number, entry: Entry | null): void {
    if (this.measureOf) this.measures[at] = entry ? this.measureOf(entry) : NaN
    if (this.keysOf) this.setKeys(at, entry ? this.keysOf(entry) : NONE)
  }

  private setKeys(at: number, keys: readonly string[]): void {
    for (const key of this.keys[at] ?? NONE) this.found.get(key)!.put(at, false)
    for (const key of keys) {
      let found = this.found.get(key)
      if (!found) this.found.set(key, (found = new Found(this.capacity)))
      found.put(at, true)
    }
    this.keys[at] = keys
  }

  /** Whether a key finds anything, or has. */
  has(key: string): boolean {
    return this.found.has(key)
  }

  /** Those that a key finds. */
  bits(key: string): Bits {
    return this.found.get(key)?.bits ?? noBits(this.capacity)
  }

  /** How many of a set each key finds. */
  *counts(of: Bits): Iterable<[key: string, count: number]> {
    for (const [key, found] of this.found) yield [key, found.countIn(of)]
  }

  /** Those of a set that measure from one to another, both included; an open end is not asked. */
  within(of: Bits, from: number | null, to: number | null): Bits {
    const found = noBits(this.capacity)
    const [least, most] = [from ?? -Infinity, to ?? Infinity]
    eachBit(of, (at) => {
      const measure = this.measures[at]!
      if (measure >= least && measure <= most) putBit(found, at, true)
    })
    return found
  }

  /** What those of a set that measure anything come to. */
  totals(of: Bits): Totals {
    const totals = { count: 0, sum: 0, least: Infinity, most: -Infinity }
    eachBit(of, (at) => {
      const measure = this.measures[at]!
      if (Number.isNaN(measure)) return
      totals.count++
      totals.sum += measure
      totals.least = Math.min(totals.least, measure)
      totals.most = Math.max(totals.most, measure)
    })
    return totals
  }

  /** What those of a set measure at least and at most; null where none does. */
  extent(of: Bits): { least: number; most: number } | null {
    let [least, most] = [Infinity, -Infinity]
    for (let at = 0; at < this.measures.length; at++) {
      const measure = this.measures[at]!
      if (measure < least && hasBit(of, at)) least = measure
      if (measure > most && hasBit(of, at)) most = measure
    }
    return most < least ? null : { least, most }
  }
}
