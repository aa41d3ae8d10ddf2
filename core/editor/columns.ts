import type { Id } from '../model'
import { type Column, type Layout, type Row, type TreeNode, emptyColumn, find } from '../tree'
import type { Edit } from '../layouts'

/** What a hand does to the columns of a row. Each gives the edit, or null when there is nothing to do. */

type NewId = () => Id

/** Several edits as one step; null when there are none. */
export function together(label: string, edits: Edit[]): Edit | null {
  if (edits.length === 0) return null
  return edits.length === 1 ? edits[0]! : { kind: 'batch', label, edits }
}

/** Gives a row columns of these spans: new ones are added at the end, and what stood in surplus ones moves into the last. */
export function setColumns(layout: Layout, rowId: Id, spans: readonly number[], newId: NewId): Edit | null {
  const row = find(layout, rowId)?.node
  if (row?.kind !== 'row' || spans.length === 0) return null
  const had = row.children
  if (spans.length === had.length && spans.every((s, i) => s === had[i]!.span)) return null
  const edits: Edit[] = []
  for (let i = had.length; i < spans.length; i++) {
    edits.push({ kind: 'insert', parent: rowId, index: i, node: emptyColumn(newId(), spans[i]!) })
  }
  const last = had[Math.min(spans.length, had.length) - 1]!
  let index = last.children.length
  for (const surplus of had.slice(spans.length)) {
    for (const child of surplus.children) edits.push({ kind: 'move', id: child.id, parent: last.id, index: index++ })
    edits.push({ kind: 'remove', id: surplus.id })
  }
  edits.push({ kind: 'setSpans', row: rowId, spans: [...spans] })
  return together(`columns ${spans.join(' + ')}`, edits)
}

/** Moves the edge between a column and the next one by `units`, keeping both at least one unit wide. */
export function moveEdge(row: Row, index: number, units: number): Edit | null {
  const [a, b] = [row.children[index], row.children[index + 1]]
  if (!a || !b) return null
  const by = Math.max(1 - a.span, Math.min(b.span - 1, Math.round(units)))
  if (by === 0) return null
  const spans = row.children.map((c, i) => c.span + (i === index ? by : i === index + 1 ? -by : 0))
  return { kind: 'setSpans', row: row.id, spans }
}

/** Makes a column wider or narrower at the cost of a neighbour: the next one, or for the last the one before. */
export function widen(layout: Layout, columnId: Id, units: number): Edit | null {
  const place = find(layout, columnId)
  if (!place || place.parent.kind !== 'row') return null
  const { parent, index } = place
  return index < parent.children.length - 1 ? moveEdge(parent, index, units) : moveEdge(parent, index - 1, -units)
}

/** The row that something is, or that a column stands in. */
function rowAt(layout: Layout, id: Id): { row: Row; index: number } | null {
  const at = find(layout, id)
  if (at?.node.kind === 'row') return { row: at.node, index: at.node.children.length - 1 }
  return at?.node.kind === 'column' && at.parent.kind === 'row' ? { row: at.parent, index: at.index } : null
}

/** Puts a column into a row after one of its columns, for which all others make room; a row has 12 at most. */
export function addColumn(layout: Layout, id: Id, column: Column): Edit | null {
  const at = rowAt(layout, id)
  if (!at || at.row.children.length >= 12) return null
  const spans = at.row.children.map((c) => c.span)
  const share = Math.max(1, Math.floor(12 / (spans.length + 1)))
  for (let missing = share; missing > 0; missing--) spans[spans.indexOf(Math.max(...spans))]!--
  spans.splice(at.index + 1, 0, share)
  return together('add column', [
    { kind: 'insert', parent: at.row.id, index: at.index + 1, node: { ...column, span: share } },
    { kind: 'setSpans', row: at.row.id, spans },
  ])
}

/** Parts a column in two: the right half is new and empty. */
export function splitColumn(layout: Layout, id: Id, newId: NewId): { edit: Edit; id: Id } | null {
  const at = rowAt(layout, id)
  const column = at?.row.children[at.index]
  if (!at || column?.id !== id || column.span < 2) return null
  const half = Math.floor(column.span / 2)
  const spans = at.row.children.flatMap((c) => (c.id === id ? [c.span - half, half] : [c.span]))
  const node = emptyColumn(newId(), half)
  const edits: Edit[] = [
    { kind: 'insert', parent: at.row.id, index: at.index + 1, node },
    { kind: 'setSpans', row: at.row.id, spans },
  ]
  return { edit: { kind: 'batch', label: 'split column', edits }, id: node.id }
}

/** Makes neighbouring columns one: what stands in them comes below each other in the first. */
export function mergeColumns(layout: Layout, ids: readonly Id[]): Edit | null {
  const row = ids[0] ? rowAt(layout, ids[0])?.row : null
  const columns = row?.children.filter((c) => ids.includes(c.id)) ?? []
  const [first, ...others] = columns
  if (!row || !first || others.length === 0 || columns.length < ids.length) return null
  const from = row.children.indexOf(first)
  if (columns.some((c, i) => row.children[from + i] !== c)) return null
  let index = first.children.length
  const moves = others
    .flatMap((c) => c.children as readonly TreeNode[])
    .map(({ id }): Edit => ({ kind: 'move', id, parent: first.id, index: index++ }))
  const spans = row.children.filter((c) => !others.includes(c)).map((c) => c.span)
  spans[from] = columns.reduce((sum, c) => sum + c.span, 0)
  return together('merge columns', [
    ...moves,
    ...others.map(({ id }): Edit => ({ kind: 'remove', id })),
    { kind: 'setSpans', row: row.id, spans },
  ])
}

/** Spans as people write them: "5+7", "8 4", "4, 4, 4". A sentence says why they cannot be. */
export function readSpans(text: string): number[] | string {
  const parts = text
    .trim()
    .split(/[\s+,/:]+/)
    .filter(Boolean)
  if (parts.length === 0) return 'Write how many of the 12 units each column takes, such as 5 + 7.'
  const odd = parts.find((p) => !/^\d{1,3}$/.test(p))
  if (odd !== undefined) return `“${odd.slice(0, 20)}” is no whole number.`
  const spans = parts.map(Number)
  if (spans.includes(0)) return 'A column takes at least one unit.'
  const sum = spans.reduce((a, b) => a + b, 0)
  return sum === 12 ? spans : `Columns add up to 12 in all; these add up to ${sum}.`
}
