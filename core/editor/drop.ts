import type { Id } from '../model'
import { childrenOf, type Parent, mayHold, pathTo, type Layout, type TreeNode } from '../tree'

export interface Box {
  x: number
  y: number
  width: number
  height: number
}

/** Where something would land, and the line that shows it. */
export interface Drop {
  parent: Id
  index: number
  line: Box
}

/** Tells the drawn box of a row, column or element, and of the layout by its own id; undefined for what is not drawn. */
export type BoxOf = (id: Id) => Box | undefined

/** What is dragged; something new has no id yet. */
export interface Dragged {
  kind: TreeNode['kind']
  type?: string
  id?: Id
}

const contains = (box: Box, x: number, y: number): boolean =>
  x >= box.x && x <= box.x + box.width && y >= box.y && y <= box.y + box.height

/** The innermost thing under the pointer that may hold the kind of thing dragged. */
function holderAt(layout: Layout, boxOf: BoxOf, x: number, y: number, { kind, type }: Dragged): Parent | null {
  let best: Parent | null = null
  const visit = (node: Layout | TreeNode): void => {
    const box = boxOf(node.id)
    if (node.kind !== 'layout' && (!box || !contains(box, x, y))) return
    // A place stands only in an element of its own type.
    const fits = kind !== 'place' || (node.kind === 'element' && node.type === type)
    if (fits && mayHold(node.kind, kind)) best = node
    childrenOf(node).forEach(visit)
  }
  visit(layout)
  return best
}

/**
 * Where a thing of a kind lands when let go at a point. A thing never lands inside itself.
 */
export function dropAt(layout: Layout, boxOf: BoxOf, point: { x: number; y: number }, dragged: Dragged): Drop | null {
  const holder = holderAt(layout, boxOf, point.x, point.y, dragged)
  const around = holder && boxOf(holder.id)
  if (!holder || !around) return null
  if (dragged.id && (holder.id === dragged.id || pathTo(layout, holder.id).some((n) => n.id === dragged.id)))
    return null
  const across = holder.kind === 'row'
  const children = childrenOf(holder).map((c) => boxOf(c.id))
  const middle = (b: Box) => (across ? b.x + b.width / 2 : b.y + b.height / 2)
  const at = across ? point.x : point.y
  const found = children.findIndex((b) => b && at < middle(b))
  const index = found < 0 ? children.length : found
  return { parent: holder.id, index, line: lineAt(around, children[index - 1], children[index], across) }
}

function lineAt(around: Box, before: Box | undefined, after: Box | undefined, across: boolean): Box {
  if (across) {
    const x = after ? after.x : before ? before.x + before.width : around.x
    return { x: x - 1, y: around.y, width: 2, height: around.height }
  }
  const gap = before && after ? (before.y + before.height + after.y) / 2 : null
  const y = gap ?? (after ? after.y : before ? before.y + before.height : around.y + 4)
  return { x: around.x, y: y - 1, width: around.width, height: 2 }
}
