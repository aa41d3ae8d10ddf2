import type { Entry } from './types'

/** Newest first; entries without a date come last, in the order of their titles, then ids. */
export function newestFirst(a: Entry, b: Entry): number {
  const x = a.date ?? ''
  const y = b.date ?? ''
  if (x !== y) return x > y ? -1 : 1
  if (a.title !== b.title) return a.title < b.title ? -1 : 1
  return a.id < b.id ? -1 : a.id === b.id ? 0 : 1
}

/** Where an entry stands in a list that is newest first, or would stand. */
function placeIn(list: readonly Entry[], entry: Entry): number {
  let [low, high] = [0, list.length]
  while (low < high) {
    const middle = (low + high) >> 1
    if (newestFirst(list[middle]!, entry) < 0) low = middle + 1
    else high = middle
  }
  return low
}

/** Entries in lists by keys, each newest first; an entry is put in and taken out where it stands. */
export class SortedLists {
  private readonly lists = new Map<string, Entry[]>()

  constructor(private readonly keysOf: (entry: Entry) => readonly (string | null)[]) {}

  /** Puts in entries that are newest first already. */
  fill(entries: readonly Entry[]): void {
    for (const entry of entries) for (const key of this.keys(entry)) this.listOf(key).push(entry)
  }

  private keys(entry: Entry): readonly string[] {
    const keys = this.keysOf(entry)
    const [first] = keys
    if (keys.length < 2) return first ? [first] : NO_KEYS
    return [...new Set(keys)].filter((key): key is string => key !== null)
  }

  private listOf(key: string): Entry[] {
    let list = this.lists.get(key)
    if (!list) this.lists.set(key, (list = []))
    return list
  }

  add(entry: Entry): void {
    for (const key of this.keys(entry)) {
      const list = this.listOf(key)
      list.splice(placeIn(list, entry), 0, entry)
    }
  }

  remove(entry: Entry): void {
    for (const key of this.keys(entry)) {
      const list = this.listOf(key)
      list.splice(placeIn(list, entry), 1)
      if (list.length === 0) this.lists.delete(key)
    }
  }

  get(key: string): readonly Entry[] {
    return this.lists.get(key) ?? NONE
  }
}

const NONE: readonly Entry[] = []
const NO_KEYS: readonly string[] = []
