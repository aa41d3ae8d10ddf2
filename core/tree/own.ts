import type { Condition } from '../conditions'
import type { Id } from '../model'
import type { Fill, Layout, WidthStep, StyleValue, TreeNode } from './types'

/** What a variation is made of: its base's identity, and what it says differently, as plain data; see `docs/variations.md`. */

/** One thing said of one node, or of all of a kind: a value, a look at one width step, a part, a name. */
export type Setting =
  | Fill
  /** What the place of a piece says of one thing in it; with `unset` it says nothing of that any more, whatever `fill` holds. */
  | { kind: 'setFill'; id: Id; fill: Fill; unset?: true }
  /** Gives something a named look of the house style; an empty one takes it away. */
  | { kind: 'setLook'; id: Id; look: Id }
  /** Leaves a property of something in a piece to the places of it, or not. */
  | { kind: 'setOpen'; id: Id; property: string; open: boolean }
  /**
   * Looks for all rows (`row`), columns (`column`) or elements of one kind; see `Defaults`. In this layout, or, with
   * `box`, in one row or column of it.
   */
  | { kind: 'setDefault'; box?: Id; of: string; property: string; step: WidthStep; value: StyleValue | null }
  /** Says what must hold for something to be drawn; nothing to be asked takes it away. */
  | { kind: 'setWhen'; id: Id; when: Condition[] }
  /** Names a row, column or element, or, by its own id, the layout. An empty name takes it away. */
  | { kind: 'rename'; id: Id; name: string }

/** An own change: one thing that a variation says differently from its base. */
export type Change =
  /** Something of its own, behind a sibling (`null`: before all others). */
  | { kind: 'put'; parent: Id; after: Id | null; node: TreeNode }
  /** Something of the base that stands elsewhere, or in another order. */
  | { kind: 'move'; id: Id; parent: Id; after: Id | null }
  | { kind: 'gone'; id: Id }
  /** The spans of a row's columns, by their ids. */
  | { kind: 'spans'; row: Id; spans: Record<Id, number> }
  | { kind: 'set'; edit: Setting }

export interface Follows {
  base: Id
  changes: readonly Change[]
}

/** A layout that follows another, and writes down only what it says differently. */
export interface Variation extends Pick<Layout, 'kind' | 'format' | 'id' | 'name' | 'about' | 'starter' | 'region'> {
  follows: Follows
}

/** A layout as it is stored and sent: with a tree of its own, or a variation. */
export type LayoutDocument = Layout | Variation

export const isVariation = (layout: LayoutDocument): layout is Variation => 'follows' in layout
