import type { Id } from '../site'
import type { Edit } from './edits'
import {
  childrenOf,
  emptyColumn,
  find,
  findParent,
  mayHold,
  withNewIds,
  type Column,
  type Layout,
  type LayoutElement,
  type Row,
  type TreeNode,
} from '../tree'

/**
 * What a hand at the bench does, put into edits. Each gives the edit, or null when there is nothing to do;
 * whether it is allowed is for `applyEdit` to say.
 */

type NewId = () => Id

/** Several edits as one step; null when there are none. */
function together(label: string, edits: Edit[]): Edit | null {
  if (edits.length === 0) return null
  return edits.length === 1 ? edits[0]! : { kind: 'batch', label, edits }
}

/** Shares out 12 units among columns as evenly as whole numbers allow, wider ones first. */
export function evenSpans(columns: number): number[] {
  return Array.from({ length: columns }, (_, i) => Math.floor(12 / columns) + (i < 12 % columns ? 1 : 0))
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

/** Takes something away; the units of a column go to its neighbour, and a row goes with its last column. */
export function removeNode(layout: Layout, id: Id): Edit | null {
  const place = find(layout, id)
  if (!place) return null
  if (place.node.kind !== 'column' || place.parent.kind !== 'row') return { kind: 'remove', id }
  const { parent, index } = place
  if (parent.children.length === 1) return { kind: 'remove', id: parent.id }
  const spans = parent.children.map((c) => c.span)
  const [gone] = spans.splice(index, 1)
  spans[Math.max(0, index - 1)]! += gone!
  return together('remove column', [
    { kind: 'remove', id },
    { kind: 'setSpans', row: parent.id, spans },
  ])
}

/** A copy with new ids, right after; a column shares its units with its copy. */
export function duplicateNode(layout: Layout, id: Id, newId: NewId): { edit: Edit; id: Id } | null {
  const place = find(layout, id)
  if (!place) return null
  const { node, parent, index } = place
  const copy = withNewIds(node, newId)
  const insert = (n: TreeNode): Edit => ({ kind: 'insert', parent: parent.id, index: index + 1, node: n })
  if (copy.kind !== 'column' || parent.kind !== 'row') return { edit: insert(copy), id: copy.id }
  if (copy.span < 2) return null
  const half = Math.floor(copy.span / 2)
  const spans = parent.children.flatMap((c) => (c.id === id ? [c.span - half, half] : [c.span]))
  const edits: Edit[] = [insert({ ...copy, span: half }), { kind: 'setSpans', row: parent.id, spans }]
  return { edit: { kind: 'batch', label: 'duplicate column', edits }, id: copy.id }
}

/** Where something new goes so that it comes after the thing selected (or at the end of the layout). */
export function placeAfter(
  layout: Layout,
  selected: Id | null,
  kind: TreeNode['kind'],
): { parent: Id; index: number } | null {
  let at = selected ? find(layout, selected) : null
  if (at && mayHold(at.node.kind, kind)) {
    return { parent: at.node.id, index: childrenOf(at.node).length }
  }
  while (at) {
    if (mayHold(at.parent.kind, kind)) return { parent: at.parent.id, index: at.index + 1 }
    at = at.parent.kind === 'layout' ? null : find(layout, at.parent.id)
  }
  return mayHold('layout', kind) ? { parent: layout.id, index: layout.children.length } : null
}

/** Where a place of elements of a type goes: after the selected one, or at the end of the selected element. */
export function placeForPlace(layout: Layout, selected: Id | null, type: string): { parent: Id; index: number } | null {
  const at = selected ? find(layout, selected) : null
  if (at?.node.kind === 'element' && at.node.type === type)
    return { parent: at.node.id, index: childrenOf(at.node).length }
  return at?.node.kind === 'place' && at.node.type === type ? { parent: at.parent.id, index: at.index + 1 } : null
}

/** Inserts an element after the selection; where nothing can hold it yet, in a new row of one column. */
export function insertElement(layout: Layout, selected: Id | null, element: LayoutElement, newId: NewId): Edit {
  const inHand = selected ? find(layout, selected)?.node : undefined
  const inRow = inHand?.kind === 'place' ? inHand.children.at(-1) : inHand
  const column = inRow?.kind === 'row' ? inRow.children.at(-1) : undefined
  const place = column
    ? { parent: column.id, index: column.children.length }
    : selected
      ? placeAfter(layout, selected, 'element')
      : null
  if (place) return { kind: 'insert', ...place, node: element }
  const row: Row = {
    kind: 'row',
    id: newId(),
    props: {},
    styles: {},
    children: [{ ...emptyColumn(newId(), 12), children: [element] }],
  }
  return { kind: 'insert', parent: layout.id, index: layout.children.length, node: row }
}

/** Columns in reading order, with their depth; used to step out of one column into the next. */
function columnsOf(layout: Layout): Column[] {
  const found: Column[] = []
  const visit = (node: Layout | TreeNode): void => {
    if (node.kind === 'column') found.push(node)
    childrenOf(node).forEach(visit)
  }
  visit(layout)
  return found
}

/**
 * Moves something one step: up and down among its siblings, and, when it has come to the end of a column, into
 * the column before or after; left and right move columns within their row and elements between columns.
 */
export function step(layout: Layout, id: Id, direction: 'up' | 'down' | 'left' | 'right'): Edit | null {
  const place = find(layout, id)
  if (!place) return null
  const { parent, index, node } = place
  const by = direction === 'up' || direction === 'left' ? -1 : 1
  const along =
    node.kind === 'column' ? direction === 'left' || direction === 'right' : direction === 'up' || direction === 'down'
  const target = index + by
  if (along && target >= 0 && target < childrenOf(parent).length)
    return { kind: 'move', id, parent: parent.id, index: target }
  if (node.kind === 'column' || parent.kind !== 'column') return null
  const inside = new Set<Id>([id, ...descendants(node)])
  const columns = columnsOf(layout).filter((c) => !inside.has(c.id))
  const next = columns[columns.findIndex((c) => c.id === parent.id) + by]
  if (!next) return null
  return { kind: 'move', id, parent: next.id, index: by < 0 && along ? next.children.length : 0 }
}

function descendants(node: TreeNode): Id[] {
  return childrenOf(node).flatMap((c) => [c.id, ...descendants(c)])
}

/** Moves something to a place given as the layout stands now, itself included. */
export function moveTo(layout: Layout, id: Id, parent: Id, index: number): Edit | null {
  const from = find(layout, id)
  if (!from || !findParent(layout, parent)) return null
  const sameParent = from.parent.id === parent
  const target = sameParent && index > from.index ? index - 1 : index
  return sameParent && target === from.index ? null : { kind: 'move', id, parent, index: target }
}
