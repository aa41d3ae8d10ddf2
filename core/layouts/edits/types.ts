import type { Splice, ListPosition } from '../../edits'
import type { Id } from '../../model'
import type { Change, Item, LayoutDocument, Setting, TreeNode, Within } from '../../tree'

/**
 * The edits of a layout, as plain data. Each can be stored, sent, replayed and inverted. `null` for a value
 * takes the property away, so that it falls back to what the layout or the house style says.
 */
export type Edit =
  | Setting
  | ({ kind: 'insert'; parent: Id; node: TreeNode } & ListPosition)
  | { kind: 'remove'; id: Id }
  /** `index` counts among the children of `parent` as they are once the node has been taken out. */
  | ({ kind: 'move'; id: Id; parent: Id } & ListPosition)
  /** As `setProperty`, told by what changes in the JSON of the value that stands there; see `Splice`. */
  | ({ kind: 'spliceProperty'; id: Id; property: string; within?: Within } & Splice)
  | ({ kind: 'insertItem'; id: Id; property: string; item: Item } & ListPosition)
  | { kind: 'removeItem'; id: Id; property: string; item: Id }
  /** `index` counts among the items as they are once this one has been taken out. */
  | ({ kind: 'moveItem'; id: Id; property: string; item: Id } & ListPosition)
  | { kind: 'setSpans'; row: Id; spans: number[] }
  /** Says in one line what the layout is for; an empty one takes it away. */
  | { kind: 'describe'; about: string }
  /** All of them or none; invariants are asked only after the last one. */
  | { kind: 'batch'; label: string; edits: Edit[] }
  | OfFollowing

/** What is done to a variation as one, and not to what it shows. */
export type OfFollowing =
  /** Own changes as they are written down: which go, by their keys, and which come or stand anew. */
  | ({ kind: 'own' } & OwnPatch)
  /**
   * Follows a base, with what is shown differently as its own changes. `changes`, where it is known what they were:
   * they are taken as they stand where they come to the same.
   */
  | { kind: 'follow'; base: Id; changes?: Change[] }
  /** Follows no more: what is shown is its own from now on. */
  | { kind: 'standAlone' }
  /** Stands as another document of the same layout does, whatever it followed before and follows then. */
  | { kind: 'become'; document: LayoutDocument }

export interface OwnPatch {
  drop: string[]
  /** `before`: the key of the change that it comes to stand before; null for the end. */
  put: { change: Change; before: string | null }[]
}

export type EditKind = Edit['kind']

export type EditOf<K extends EditKind> = Extract<Edit, { kind: K }>
