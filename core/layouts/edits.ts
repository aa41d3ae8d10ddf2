import type { Id } from '../site'
import type { Stepped, Step, StyleValue, TreeNode, Value } from '../tree'

/**
 * The edits of a layout, as plain data. Each can be stored, sent, replayed and inverted. `null` for a value
 * takes the property away, so that it falls back to what the layout or the house style says.
 */
export type Edit =
  | { kind: 'insert'; parent: Id; index: number; node: TreeNode }
  | { kind: 'remove'; id: Id }
  /** `index` counts among the children of `parent` as they are once the node has been taken out. */
  | { kind: 'move'; id: Id; parent: Id; index: number }
  /** Undefined for `value` cannot be sent as JSON, so a missing property is written `unset: true`. */
  | { kind: 'setProperty'; id: Id; property: string; value?: Value; unset?: true }
  | { kind: 'setStyle'; id: Id; property: string; step: Step; value: StyleValue | null }
  /** Looks for all rows (`row`), columns (`column`) or elements of one kind in this layout. */
  | { kind: 'setDefault'; of: string; property: string; step: Step; value: StyleValue | null }
  | { kind: 'setSpans'; row: Id; spans: number[] }
  /** Names a row, column or element, or, by its own id, the layout. An empty name takes it away. */
  | { kind: 'rename'; id: Id; name: string }
  /** All of them or none; invariants are asked only after the last one. */
  | { kind: 'batch'; label: string; edits: Edit[] }

export type EditKind = Edit['kind']

/** One step of a property, kept apart so that both style edits read alike. */
export function withStep(stepped: Stepped | undefined, step: Step, value: StyleValue | null): Stepped | undefined {
  const next: Stepped = { ...stepped }
  if (value === null) delete next[step]
  else next[step] = value
  return Object.keys(next).length > 0 ? next : undefined
}
