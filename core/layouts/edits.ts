import type { Splice } from '../edits'
import type { Condition } from '../conditions'
import type { Id } from '../site'
import type { Item, LooksKey, Stepped, Step, StyleValue, TreeNode, Value } from '../tree'

/**
 * The edits of a layout, as plain data. Each can be stored, sent, replayed and inverted. `null` for a value
 * takes the property away, so that it falls back to what the layout or the house style says.
 */
export type Edit =
  | { kind: 'insert'; parent: Id; index: number; node: TreeNode }
  | { kind: 'remove'; id: Id }
  /** `index` counts among the children of `parent` as they are once the node has been taken out. */
  | { kind: 'move'; id: Id; parent: Id; index: number }
  /**
   * Undefined for `value` cannot be sent as JSON, so a missing property is written `unset: true`. With `within`, a
   * value of one of the items that a property holds.
   */
  | { kind: 'setProperty'; id: Id; property: string; within?: Within; value?: Value; unset?: true }
  /** As `setProperty`, told by what changes in the JSON of the value that stands there; see `Splice`. */
  | ({ kind: 'spliceProperty'; id: Id; property: string; within?: Within } & Splice)
  | { kind: 'insertItem'; id: Id; property: string; index: number; item: Item }
  | { kind: 'removeItem'; id: Id; property: string; item: Id }
  /** `index` counts among the items as they are once this one has been taken out. */
  | { kind: 'moveItem'; id: Id; property: string; item: Id; index: number }
  /** With `at`, the looks of a part or of a state. */
  | { kind: 'setStyle'; id: Id; at?: LooksKey; property: string; step: Step; value: StyleValue | null }
  | { kind: 'hidePart'; id: Id; part: string; hidden: boolean }
  /**
   * Looks for all rows (`row`), columns (`column`) or elements of one kind; see `Defaults`. In this layout, or, with
   * `box`, in one row or column of it.
   */
  | { kind: 'setDefault'; box?: Id; of: string; property: string; step: Step; value: StyleValue | null }
  | { kind: 'setSpans'; row: Id; spans: number[] }
  /** Says what must hold for something to be drawn; nothing to be asked takes it away. */
  | { kind: 'setWhen'; id: Id; when: Condition[] }
  /** Names a row, column or element, or, by its own id, the layout. An empty name takes it away. */
  | { kind: 'rename'; id: Id; name: string }
  /** Says in one line what the layout is for; an empty one takes it away. */
  | { kind: 'describe'; about: string }
  /** All of them or none; invariants are asked only after the last one. */
  | { kind: 'batch'; label: string; edits: Edit[] }

/** Which item of which property. */
export interface Within {
  items: string
  item: Id
}

export type EditKind = Edit['kind']

/** One step of a property, kept apart so that both style edits read alike. */
export function withStep(stepped: Stepped | undefined, step: Step, value: StyleValue | null): Stepped | undefined {
  const next: Stepped = { ...stepped }
  if (value === null) delete next[step]
  else next[step] = value
  return Object.keys(next).length > 0 ? next : undefined
}
