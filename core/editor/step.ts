import type { Id } from '../model'
import {
  type Column,
  type Layout,
  type Slot,
  type Row,
  type NodePosition,
  type TreeNode,
  childrenOf,
  find,
} from '../tree'
import type { Edit } from '../layouts'

/** Moving by steps, in the order in which things are seen on the page. */

export type Direction = 'up' | 'down' | 'left' | 'right'

interface RowPosition {
  parent: Id
  index: number
}

/** Where a row stands, with what holds it. */
function placeOfRow(layout: Layout, row: Row): { holder: Layout | Column | Slot; index: number } {
  const { parent, index } = find(layout, row.id)!
  return { holder: parent as Layout | Column | Slot, index }
}

function rowOf(layout: Layout, column: Column): { row: Row; index: number } {
  const { parent, index } = find(layout, column.id)!
  return { row: parent as Row, index }
}

/** How many of the 12 units two columns of two rows share, one above the other. */
function overlap(a: Row, i: number, b: Row, j: number): number {
  const start = (row: Row, at: number) => row.children.slice(0, at).reduce((n, c) => n + c.span, 0)
  const [from, to] = [Math.max(start(a, i), start(b, j)), Math.min(start(a, i + 1), start(b, j + 1))]
  return to - from
}

/** The column of the row above or below that lies most over or under this one. */
function facing(row: Row, index: number, other: Row): Column {
  const shared = other.children.map((_, j) => overlap(row, index, other, j))
  return other.children[shared.indexOf(Math.max(...shared))]!
}

/** The spot beside what surrounds a holder: before or after the element of a place, or the row of a column. */
function beside(layout: Layout, holder: Layout | Column | Slot, by: 1 | -1): RowPosition | null {
  if (holder.kind === 'layout') return null
  const around = holder.kind === 'column' ? rowOf(layout, holder).row : find(layout, holder.id)!.parent
  const { parent, index } = find(layout, around.id)!
  return { parent: parent.id, index: by < 0 ? index : index + 1 }
}

/** Out of a column at its top or its end. */
function leave(layout: Layout, column: Column, kind: TreeNode['kind'], by: 1 | -1): RowPosition | null {
  const { row, index } = rowOf(layout, column)
  const { holder, index: at } = placeOfRow(layout, row)
  // A row goes beside the row that it stood in, wherever that stands.
  if (kind === 'row' || holder.kind === 'column') return { parent: holder.id, index: by < 0 ? at : at + 1 }
  const other = holder.children[at + by]
  if (!other) return beside(layout, holder, by)
  const next = facing(row, index, other)
  return { parent: next.id, index: by < 0 ? next.children.length : 0 }
}

function vertically(layout: Layout, { node, parent, index }: NodePosition, by: 1 | -1): RowPosition | null {
  if (node.kind === 'column' || node.kind === 'place') {
    const there = node.kind === 'place' && childrenOf(parent)[index + by]
    return there ? { parent: parent.id, index: index + by } : null
  }
  if (childrenOf(parent)[index + by]) return { parent: parent.id, index: index + by }
  return parent.kind === 'column' ? leave(layout, parent, node.kind, by) : beside(layout, parent as Layout | Slot, by)
}

/** Into the column beside, or, from the last column of a nested row, into the one beside that of the row. */
function across(layout: Layout, column: Column, at: number, by: 1 | -1): RowPosition | null {
  const { row, index } = rowOf(layout, column)
  const next = row.children[index + by]
  if (next) return { parent: next.id, index: Math.min(at, next.children.length) }
  const { holder, index: rowAt } = placeOfRow(layout, row)
  return holder.kind === 'column' ? across(layout, holder, rowAt, by) : null
}

function sideways(layout: Layout, { node, parent, index }: NodePosition, by: 1 | -1): RowPosition | null {
  if (node.kind === 'column') return childrenOf(parent)[index + by] ? { parent: parent.id, index: index + by } : null
  return parent.kind === 'column' ? across(layout, parent, index, by) : null
}

/**
 * Moves something one step in the order one sees: up and down past its neighbours, out of a nested row to before or
 * after it, and from row to row into the column that lies above or below; left and right from column to column.
 * Null at the ends.
 */
export function step(layout: Layout, id: Id, direction: Direction): Edit | null {
  const standing = find(layout, id)
  if (!standing) return null
  const by = direction === 'up' || direction === 'left' ? -1 : 1
  const upright = direction === 'up' || direction === 'down'
  const spot = upright ? vertically(layout, standing, by) : sideways(layout, standing, by)
  return spot && { kind: 'move', id, ...spot }
}
