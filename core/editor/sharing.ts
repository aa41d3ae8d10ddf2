import { newElement } from '../elements'
import type { Id } from '../model'
import {
  type Layout,
  type LayoutElement,
  type Row,
  type NodePosition,
  type TreeNode,
  emptyLayout,
  emptyRow,
  find,
  withNewIds,
} from '../tree'
import { type Edit, aloneIn, drawnAsElements, isPlace, ownOf, pieceOf, placeOfPath, type Trees } from '../layouts'

/** Making pieces, placing them, and ending the sharing in one place; see `docs/pieces.md`. */

type NewId = () => Id

/** A place of a piece. */
export function newPlace(piece: Id, newId: NewId): LayoutElement {
  const place = newElement('piece', newId)
  return { ...place, props: { piece } }
}

/** A row that holds nothing but an element. */
export function rowAround(element: LayoutElement, newId: NewId): Row {
  const row = emptyRow(newId, [12])
  row.children[0]!.children = [element]
  return row
}

/** The place of a piece, in a row of its own where rows are put. */
export const placeIn = (parent: TreeNode['kind'] | 'layout', piece: Id, newId: NewId): Row | LayoutElement => {
  const place = newPlace(piece, newId)
  return parent === 'column' ? place : rowAround(place, newId)
}

const step = (label: string, edits: Edit[]): Edit => ({ kind: 'batch', label, edits })

/**
 * A row or an element as a piece by a name, and the edit that puts a place of it where it stood; null for what cannot
 * be one.
 */
export function share(
  tree: Layout,
  id: Id,
  piece: { id: Id; name: string },
  newId: NewId,
): { piece: Layout; edit: Edit; place: Id } | null {
  const at = find(tree, id)
  if (!at || (at.node.kind !== 'row' && at.node.kind !== 'element') || isPlace(at.node)) return null
  const copy = withNewIds<Row | LayoutElement>(at.node, newId)
  const layout = emptyLayout(piece.id, piece.name, 'piece')
  layout.children = [copy.kind === 'row' ? copy : rowAround(copy, newId)]
  const place = newPlace(piece.id, newId)
  const node = at.node.kind === 'row' ? rowAround(place, newId) : place
  const edits: Edit[] = [
    { kind: 'remove', id },
    { kind: 'insert', parent: at.parent.id, index: at.index, node },
  ]
  return { piece: layout, edit: step(`share ${piece.name}`, edits), place: place.id }
}

/**
 * The edit that puts what is drawn at a place there as the layout's own, with new ids, and what came of it to be taken in
 * hand; null where nothing is drawn. Pieces in the piece stay pieces.
 */
export function ownPiece(trees: Trees, tree: Layout, place: Id, newId: NewId): { edit: Edit; nodes: Id[] } | null {
  const at = find(tree, place)
  if (!at || !isPlace(at.node)) return null
  const piece = trees.document(pieceOf(at.node) ?? '')
  if (piece?.region !== 'piece' || trees.holdsItself(piece)) return null
  const own = ownOf(at.node, trees.madeOf(piece).made).map((node) => withNewIds(node, newId))
  const hole = drawnAsElements(trees.madeOf(piece).made) ? at : holeOf(tree, place)
  const insert = own.map((node, i): Edit => ({ kind: 'insert', parent: hole.parent.id, index: hole.index + i, node }))
  const edit = step(`make ${piece.name} this layout’s own`, [{ kind: 'remove', id: hole.node.id }, ...insert])
  return { edit, nodes: own.map((n) => n.id) }
}

/**
 * What stands in a layout for something that is drawn there: the thing itself, for what is of a piece its place, and for
 * a place alone in a row of which the piece's rows take the place, that row.
 */
export function standingFor(trees: Trees, tree: Layout, id: Id): Id {
  const at = find(tree, placeOfPath(id)?.place ?? id)
  if (!at || !isPlace(at.node)) return at?.node.id ?? id
  const piece = trees.document(pieceOf(at.node) ?? '')
  return piece && !drawnAsElements(trees.madeOf(piece).made) ? holeOf(tree, at.node.id).node.id : at.node.id
}

/** What gives way to rows: the row that holds nothing but the place and says nothing of its own, or the place itself. */
function holeOf(tree: Layout, place: Id): NodePosition {
  const at = find(tree, place)!
  const row = at.parent.kind === 'column' ? find(tree, at.parent.id)!.parent : null
  return row?.kind === 'row' && aloneIn(row) ? find(tree, row.id)! : at
}
