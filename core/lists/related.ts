import type { Catalogue } from '../catalogue'
import type { Entry, Id } from '../model'
import { type Bits, both, byHowMany, hasBit } from './bits'
import type { Column } from './column'
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

/** By which keys entries are found that share something. */
function columnOf({ by, field }: Relating, ledger: Ledger): Column {
  return by === 'field' ? ledger.keys(field) : ledger.belonging(by === 'terms' ? 'term' : 'person')
}

/** What is related to an entry: what shares most comes first, then what is newest; never the entry itself. */
export function relatedTo(entry: Entry, how: Relating, catalogue: Catalogue, ledger: Ledger, most: number): Related[] {
  const types = new Set(how.types.length > 0 ? how.types : [entry.type])
  // Read wherever it may be shown, so that it is known to be.
  for (const type of types) catalogue.entriesOfType(type)
  const keys = [...new Set(sharedBy(how, entry, ledger))]
  const column = columnOf(how, ledger)
  const sets = keys.map((key) => column.bits(key))
  const among = ofTypes(types, ledger)
  const order = ledger.order({ group: null, sorts: [] })
  const found: Related[] = []
  for (const alike of byHowMany(sets, ledger.capacity).reverse()) {
    // One more than is wanted, since the entry itself is like itself.
    for (const at of order.slice(both(alike, among), 0, most - found.length + 1)) {
      const other = ledger.entries[at]!
      if (other.id !== entry.id && found.length < most)
        found.push({ entry: other, shares: keys.filter((_, i) => hasBit(sets[i]!, at)) })
    }
    if (found.length === most) break
  }
  return how.fill && found.length < most ? [...found, ...newest(found, entry, types, ledger, most)] : found
}

function ofTypes(types: ReadonlySet<Id>, ledger: Ledger): Bits {
  return ledger.setOf(`types ${[...types].sort().join()}`, (e) => types.has(e.type))
}

function newest(
  found: readonly Related[],
  entry: Entry,
  types: ReadonlySet<Id>,
  ledger: Ledger,
  most: number,
): Related[] {
  const taken = new Set([entry.id, ...found.map((r) => r.entry.id)])
  return ledger
    .order({ group: null, sorts: [] })
    .slice(ofTypes(types, ledger), 0, most + 1 + found.length)
    .map((at) => ledger.entries[at]!)
    .filter((e) => !taken.has(e.id))
    .slice(0, most - found.length)
    .map((other) => ({ entry: other, shares: [] }))
}
