import type { Id } from '../model'
import { together } from './columns'
import type { Edit } from '../layouts'
import {
  childrenOf,
  emptyColumn,
  find,
  findParent,
  mayHold,
  withNewIds,
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

/** Moves something to a place given as the layout stands now, itself included. */
export function moveTo(layout: Layout, id: Id, parent: Id, index: number): Edit | null {
  const from = find(layout, id)
  if (!from || !findParent(layout, parent)) return null
  const sameParent = from.parent.id === parent
  const target = sameParent && index > from.index ? index - 1 : index
  return sameParent && target === from.index ? null : { kind: 'move', id, parent, index: target }
}
