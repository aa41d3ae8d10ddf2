import { type Catalogue, directoryOf } from '../catalogue'
import { READINGS, type SortKey } from '../fields'
import { type Entry, type Id, newestFirst } from '../model'
import { type Bits, hasBit } from './bits'
import { type Grouping, groupOf } from './groups'
import { readerOf } from './reading'

/** One of the fields that a list is sorted by. */
export interface Sort {
  field: Id
  down: boolean
}

/** In which order entries stand: by groups first where there are any, then by fields, then newest first. */
export interface Sorting {
  group: Grouping | null
  sorts: readonly Sort[]
}

export const sortingKey = ({ group, sorts }: Sorting): string =>
  `${group ? `${group.by}:${group.field}:${group.down}` : ''}|${sorts.map((s) => `${s.field}:${s.down}`).join()}`

/** What refers to something is sorted by what that is called, a choice by its place among the choices. */
function namedKey(catalogue: Catalogue, field: Id): (entry: Entry) => SortKey {
  const read = readerOf(catalogue, field)
  const directory = directoryOf(catalogue)
  return (entry) => {
    const found = read(entry)
    const key = found && READINGS[found.kind].sortKey(found.value, found.field, directory)
    return key === '' ? null : key
  }
}

const MAKERS = new Map<string, Intl.Collator>()

/** Texts as they are sorted where the site is read, numbers in them by what they amount to. */
export function collatorOf(locale: string): Intl.Collator {
  let collator = MAKERS.get(locale)
  if (!collator) MAKERS.set(locale, (collator = new Intl.Collator(locale, { numeric: true })))
  return collator
}

/** One thing by which entries are sorted: what each has of it, by numbers, and which way. */
interface SortStep {
  of(entry: Entry): SortKey
  keys: SortKey[]
  way: 1 | -1
}

function compareKeys(x: SortKey, y: SortKey, way: 1 | -1, collator: Intl.Collator): number {
  if (x === y) return 0
  if (x === null || y === null) return x === null ? 1 : -1
  if (typeof x === 'number' && typeof y === 'number') return way * (x - y)
  return way * collator.compare(String(x), String(y))
}

function stepsOf(catalogue: Catalogue, { group, sorts }: Sorting): SortStep[] {
  const steps = sorts.map(({ field, down }): SortStep => ({
    of: namedKey(catalogue, field),
    keys: [],
    way: down ? -1 : 1,
  }))
  if (!group) return steps
  const of = groupOf(catalogue, group)
  return [{ of: (entry) => of(entry)?.rank ?? null, keys: [], way: group.down ? -1 : 1 }, ...steps]
}

/** Entries by their numbers in an order, into which one is put and out of which one is taken where it stands. */
export class Order {
  private readonly numbers: Uint32Array
  private length = 0
  private readonly steps: readonly SortStep[]
  private readonly collator: Intl.Collator

  constructor(
    catalogue: Catalogue,
    sorting: Sorting,
    private readonly entries: readonly (Entry | undefined)[],
    capacity: number,
  ) {
    this.numbers = new Uint32Array(capacity)
    this.steps = stepsOf(catalogue, sorting)
    this.collator = collatorOf(catalogue.site.settings.locale)
  }

  fill(numbers: number[]): void {
    for (const number of numbers) this.read(number)
    this.numbers.set(numbers.sort((a, b) => this.compare(a, b)))
    this.length = numbers.length
  }

  /** What an entry is sorted by is read once for each state of it: it is compared many times. */
  private read(number: number): void {
    for (const { of, keys } of this.steps) keys[number] = of(this.entries[number]!)
  }

  /** No two entries are equal. */
  private compare(a: number, b: number): number {
    for (const { keys, way } of this.steps) {
      const sooner = compareKeys(keys[a]!, keys[b]!, way, this.collator)
      if (sooner !== 0) return sooner
    }
    return newestFirst(this.entries[a]!, this.entries[b]!)
  }

  private placeOf(number: number): number {
    let [low, high] = [0, this.length]
    while (low < high) {
      const middle = (low + high) >>> 1
      if (this.compare(this.numbers[middle]!, number) < 0) low = middle + 1
      else high = middle
    }
    return low
  }

  insert(number: number): void {
    this.read(number)
    const at = this.placeOf(number)
    this.numbers.copyWithin(at + 1, at, this.length)
    this.numbers[at] = number
    this.length++
  }

  /** Before what it stands by is changed. */
  remove(number: number): void {
    const at = this.numbers.subarray(0, this.length).indexOf(number)
    if (at < 0) return
    this.numbers.copyWithin(at, at + 1, this.length)
    this.length--
  }

  /** The neighbours of one, of those of a set: the one before it and the one behind; null where there is none. */
  around(of: Bits, number: number): [number | null, number | null] {
    const at = this.placeOf(number)
    const look = (from: number, by: 1 | -1): number | null => {
      for (let i = from; i >= 0 && i < this.length; i += by) if (hasBit(of, this.numbers[i]!)) return this.numbers[i]!
      return null
    }
    return [look(at - 1, -1), look(at + 1, 1)]
  }

  /** Those of a set in this order, without the first `skip`, and at most so many. */
  slice(of: Bits, skip: number, most: number): number[] {
    const found: number[] = []
    let passed = 0
    for (let i = 0; i < this.length && found.length < most; i++) {
      const number = this.numbers[i]!
      if (hasBit(of, number) && passed++ >= skip) found.push(number)
    }
    return found
  }
}
