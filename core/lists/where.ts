import { type FieldTest, fieldTest, readsToday } from '../conditions'
import type { FieldTestOp } from '../fields'
import { type Catalogue, TERMS } from '../catalogue'
import type { Id } from '../model'
import { type Bits, anyOf, both, noBits } from './bits'
import type { Ledger } from './ledger'

/** What must hold of every entry of a list: of one of its fields, or of its terms in a taxonomy. */
export interface Where {
  field: Id
  op: FieldTestOp
  /** Any of these; none, where what was to be asked for is not there. */
  values: readonly FieldTest['value'][]
}

const without = (all: Bits, some: Bits): Bits => all.map((word, i) => word & ~some[i]!)

const NEGATIVE: ReadonlySet<FieldTestOp> = new Set(['is-not'])
const ABOUT_NOTHING: ReadonlySet<FieldTestOp> = new Set(['is-empty', 'is-not-empty'])

/** Terms are asked by which they are; an entry in a term is in those above it too. */
function termBits(ledger: Ledger, field: Id, op: FieldTestOp, value: FieldTest['value']): Bits {
  if (op === 'is') return typeof value === 'string' ? ledger.keys(field).bits(value) : noBits(ledger.capacity)
  if (op === 'is-not') return without(ledger.all, termBits(ledger, field, 'is', value))
  const keys = ledger.keysFor(field)
  const any = ledger.setOf(`has ${field}`, (entry) => keys(entry).length > 0)
  return op === 'is-not-empty' ? any : op === 'is-empty' ? without(ledger.all, any) : noBits(ledger.capacity)
}

function oneBits(ledger: Ledger, catalogue: Catalogue, { field, op }: Where, value: FieldTest['value']): Bits {
  if (field.startsWith(TERMS)) return termBits(ledger, field, op, value)
  // What is asked around today is another set each day.
  const day = readsToday({ op }) ? catalogue.today : ''
  const key = `where ${field} ${op} ${typeof value} ${String(value)} ${day}`
  return ledger.setOf(key, fieldTest({ kind: 'field', field, op, value }, catalogue))
}

/** Those of which one line holds: of any of its values, or, where it denies, of each. */
function lineBits(ledger: Ledger, catalogue: Catalogue, where: Where): Bits {
  if (ABOUT_NOTHING.has(where.op)) return oneBits(ledger, catalogue, where, null)
  const sets = where.values.map((value) => oneBits(ledger, catalogue, where, value))
  return NEGATIVE.has(where.op) ? sets.reduce(both, ledger.all) : anyOf(sets, ledger.capacity)
}

/** Those of a set of which all of it holds. */
export function whereBits(ledger: Ledger, catalogue: Catalogue, wheres: readonly Where[], of: Bits): Bits {
  return wheres.reduce((bits, where) => both(bits, lineBits(ledger, catalogue, where)), of)
}
