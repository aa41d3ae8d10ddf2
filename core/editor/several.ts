import type { Condition } from '../conditions'
import type { Id } from '../model'
import {
  type Layout,
  type LooksKey,
  type WidthStep,
  type StyleValue,
  type TreeNode,
  type Value,
  childrenOf,
  emptyRow,
  find,
  pathTo,
  walk,
  withNewIds,
} from '../tree'
import { applyJudged, type Edit } from '../layouts'
import { addColumn } from './columns'
import { duplicateNode, insertElement, moveTo, placeAfter, placeForPlace, removeNode } from './commands'
import { type Direction, step } from './step'

/** What a hand does to several things at once; each of them an edit of its own, together one step. */

type NewId = () => Id

/** Those of several things that do not stand in another of them, in the order of the page. */
export function outermost(layout: Layout, ids: readonly Id[]): Id[] {
  const chosen = new Set(ids)
  const order = [...walk(layout)].map((n) => n.id).filter((id) => chosen.has(id))
  return order.filter((id) => !pathTo(layout, id).some((n) => n.id !== id && chosen.has(n.id)))
}

/** Makes edits one after the other, each for the layout as those before have left it. */
class Turn {
  readonly edits: Edit[] = []

  constructor(public layout: Layout) {}

  /** False when there is no such edit, or it is refused. */
  take(edit: Edit | null): boolean {
    const result = edit && applyJudged(this.layout, edit)
    if (!result?.ok) return false
    this.layout = result.document
    this.edits.push(edit!)
    return true
  }

  as(label: string): Edit | null {
    if (this.edits.length === 0) return null
    return this.edits.length === 1 ? this.edits[0]! : { kind: 'batch', label, edits: this.edits }
  }
}

const things = (count: number) => `${count} things`

/** Takes several things away; what stands in one that goes, goes with it. */
export function removeNodes(layout: Layout, ids: readonly Id[]): Edit | null {
  const turn = new Turn(layout)
  const gone = outermost(layout, ids)
  for (const id of gone) if (find(turn.layout, id)) turn.take(removeNode(turn.layout, id))
  return turn.as(`remove ${things(gone.length)}`)
}

/** Copies of several things, each right after its own. */
export function duplicateNodes(layout: Layout, ids: readonly Id[], newId: NewId): { edit: Edit; ids: Id[] } | null {
  const turn = new Turn(layout)
  const made: Id[] = []
  const from = outermost(layout, ids)
  for (const id of from) {
    const copy = duplicateNode(turn.layout, id, newId)
    if (copy && turn.take(copy.edit)) made.push(copy.id)
  }
  const edit = turn.as(`duplicate ${things(from.length)}`)
  return edit && { edit, ids: made }
}

/**
 * Moves several things one step, all or none, so that none leaps over another; they keep their order. Those in the
 * way of each other are moved first.
 */
export function stepAll(layout: Layout, ids: readonly Id[], direction: Direction): Edit | null {
  const turn = new Turn(layout)
  const moved = outermost(layout, ids)
  const forwards = direction === 'down' || direction === 'right'
  for (const id of forwards ? [...moved].reverse() : moved)
    if (!turn.take(step(turn.layout, id, direction))) return null
  return turn.as(`move ${things(moved.length)}`)
}

/** Moves several things to one place, given as the layout stands now, where they stand in their order. */
export function moveAllTo(layout: Layout, ids: readonly Id[], parent: Id, index: number): Edit | null {
  const turn = new Turn(layout)
  const moved = outermost(layout, ids)
  const before = find(layout, parent)?.node ?? (layout.id === parent ? layout : null)
  /** What stands at the place and stays: the things go before it. */
  const anchor =
    before &&
    childrenOf(before)
      .slice(index)
      .find((c) => !moved.includes(c.id))
  for (const id of moved) {
    const holder = find(turn.layout, parent)?.node ?? turn.layout
    const at = anchor ? childrenOf(holder).findIndex((c) => c.id === anchor.id) : childrenOf(holder).length
    const edit = moveTo(turn.layout, id, parent, at)
    if (edit && !turn.take(edit)) return null
  }
  return turn.as(`move ${things(moved.length)}`)
}

/** The same done to several things, where it can be; to a single one whether it can or not, so that it is told why. */
function ofAll(layout: Layout, ids: readonly Id[], label: string, edit: (id: Id) => Edit): Edit | null {
  if (ids.length === 1) return edit(ids[0]!)
  const turn = new Turn(layout)
  for (const id of ids) turn.take(edit(id))
  return turn.as(`${label} ${things(ids.length)}`)
}

/** Sets one look of several things. */
export function setStyleOfAll(
  layout: Layout,
  ids: readonly Id[],
  look: { property: string; step: WidthStep; value: StyleValue | null; at?: LooksKey },
): Edit | null {
  return ofAll(layout, ids, `set ${look.property} of`, (id) => ({ kind: 'setStyle', id, ...look }))
}

/** Sets one property of several things; undefined takes it away. */
export function setPropertyOfAll(
  layout: Layout,
  ids: readonly Id[],
  property: string,
  value: Value | undefined,
): Edit | null {
  const said = value === undefined ? { unset: true as const } : { value }
  return ofAll(layout, ids, `set ${property} of`, (id) => ({ kind: 'setProperty', id, property, ...said }))
}

/** The edit that puts something copied after what is in hand; a row in a column in hand goes beside the row around it. */
function pasteOne(layout: Layout, selected: Id | null, node: TreeNode, newId: NewId): Edit | null {
  if (node.kind === 'element') return insertElement(layout, selected, node, newId)
  if (node.kind === 'place') {
    const place = placeForPlace(layout, selected, node.type)
    return place && { kind: 'insert', ...place, node }
  }
  const inHand = selected ? find(layout, selected)?.node.kind : undefined
  if (node.kind === 'column' && (inHand === 'row' || inHand === 'column')) return addColumn(layout, selected!, node)
  // A column by itself has no place: it comes as a row of its own.
  const row = node.kind === 'row' ? node : { ...emptyRow(newId, []), children: [{ ...node, span: 12 }] }
  const outer = selected ? pathTo(layout, selected)[0]?.id : null
  const place = placeAfter(layout, outer ?? null, 'row')
  return (
    place && {
      kind: 'insert',
      ...(outer ? { parent: layout.id, index: find(layout, outer)!.index + 1 } : place),
      node: row,
    }
  )
}

/** Puts copies of several things, in order, after what is in hand; gives the ids of those that have a place there. */
export function pasteNodes(
  layout: Layout,
  selected: Id | null,
  nodes: readonly TreeNode[],
  newId: NewId,
): { edit: Edit; ids: Id[] } | null {
  const turn = new Turn(layout)
  const ids: Id[] = []
  let after = selected
  for (const node of nodes) {
    const copy = withNewIds(node, newId)
    if (!turn.take(pasteOne(turn.layout, after, copy, newId))) continue
    ids.push(copy.id)
    after = copy.id
  }
  const edit = turn.as(`paste ${things(ids.length)}`)
  return edit && { edit, ids }
}

/** Says what must hold for several things to be drawn. */
export function setWhenOfAll(layout: Layout, ids: readonly Id[], when: Condition[]): Edit | null {
  return ofAll(layout, ids, 'when shown:', (id) => ({ kind: 'setWhen', id, when }))
}
