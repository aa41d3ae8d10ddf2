import type { Catalogue, Entry, Id } from '../site'
import { eachBit } from './bits'
import type { Ledger } from './ledger'

/** By what entries are related to one: terms they share, the same person, or what a field holds alike. */
export interface Relating {
  by: 'terms' | 'person' | 'field'
  field: Id
  /** Page types of what is related; none: that of the entry itself. */
  types: readonly Id[]
  /** Filled up with the newest where there are too few. */
  fill: boolean
}

/** An entry that is related, and by what: ids of terms, of the person, or keys of the field; none for what fills up. */
export interface Related {
  entry: Entry
  shares: readonly string[]
}

function sharedBy({ by, field }: Relating, entry: Entry, ledger: Ledger): readonly string[] {
  if (by === 'terms') return entry.terms
  if (by === 'person') return entry.person ? [entry.person] : []
  return ledger.keysFor(field)(entry)
}

/** The entries that have one of these, newest first. */
function listsOf({ by, field }: Relating, key: string, catalogue: Catalogue, ledger: Ledger): readonly Entry[] {
  if (by === 'terms') return catalogue.entriesInTerm(key)
  if (by === 'person') return catalogue.entriesBy(key)
  const found: Entry[] = []
  eachBit(ledger.keys(field).bits(key), (at) => found.push(ledger.entries[at]!))
  return found
}

/** What is related to an entry: what shares most comes first, then what is newest; never the entry itself. */
export function relatedTo(entry: Entry, how: Relating, catalogue: Catalogue, ledger: Ledger, most: number): Related[] {
  const types = new Set(how.types.length > 0 ? how.types : [entry.type])
  const shares = new Map<Id, string[]>()
  for (const key of sharedBy(how, entry, ledger)) {
    for (const other of listsOf(how, key, catalogue, ledger)) {
      if (other.id === entry.id || !types.has(other.type)) continue
      const known = shares.get(other.id)
      if (known) known.push(key)
      else shares.set(other.id, [key])
    }
  }
  // Read wherever it may be shown, so that it is known to be.
  for (const type of types) catalogue.entriesOfType(type)
  const order = ledger.order({ group: null, sorts: [] })
  const found = order
    .slice(ledger.of(shares.keys()), 0, shares.size)
    .map((at): Related => ({ entry: ledger.entries[at]!, shares: shares.get(ledger.entries[at]!.id)! }))
    .sort((a, b) => b.shares.length - a.shares.length)
    .slice(0, most)
  return how.fill && found.length < most ? [...found, ...newest(found, entry, types, ledger, most)] : found
}

function newest(
  found: readonly Related[],
  entry: Entry,
  types: ReadonlySet<Id>,
  ledger: Ledger,
  most: number,
): Related[] {
  const taken = new Set([entry.id, ...found.map((r) => r.entry.id)])
  const key = [...types].sort().join()
  const all = ledger.setOf(`types ${key}`, (e) => types.has(e.type))
  return ledger
    .order({ group: null, sorts: [] })
    .slice(all, 0, most + 1 + found.length)
    .map((at) => ledger.entries[at]!)
    .filter((e) => !taken.has(e.id))
    .slice(0, most - found.length)
    .map((other) => ({ entry: other, shares: [] }))
}
