import type { Id } from '../model'
import { copyOf } from './copy'
import type { Column, Layout, LayoutElement, Slot, Row, TreeNode } from './types'

/** What holds others; an element does only where its spec has places. */
export type Parent = Layout | TreeNode

/** What may stand in what. */
const HOLDS: Record<string, readonly TreeNode['kind'][]> = {
  layout: ['row'],
  row: ['column'],
  column: ['element', 'row'],
  element: ['place'],
  place: ['row'],
}

export function mayHold(parent: Parent['kind'], child: TreeNode['kind']): boolean {
  return HOLDS[parent]!.includes(child)
}

export function childrenOf(node: Layout | TreeNode): readonly TreeNode[] {
  return node.children ?? []
}

/** Every row, column and element, each before its children, in the order of the page. */
export function* walk(node: Layout | TreeNode): Generator<TreeNode> {
  for (const child of childrenOf(node)) {
    yield child
    yield* walk(child)
  }
}

/** How many rows stand inside one another at the deepest place below (and with) a node. */
export function rowDepth(node: Layout | TreeNode): number {
  const below = Math.max(0, ...childrenOf(node).map(rowDepth))
  return below + (node.kind === 'row' ? 1 : 0)
}

export function countNodes(node: Layout | TreeNode): number {
  let count = 0
  for (const _ of walk(node)) count++
  return count
}

/**
 * Sums up something over all that stands in a node. It is kept for each node, so that after an edit only what holds the
 * change is gone through again: for nodes that are never changed in place.
 */
export function tally(measure: (node: TreeNode) => number): (node: Layout | TreeNode) => number {
  const known = new WeakMap<Layout | TreeNode, number>()
  const sum = (node: Layout | TreeNode): number => {
    let found = known.get(node)
    if (found === undefined) {
      found = childrenOf(node).reduce((all, child) => all + measure(child) + sum(child), 0)
      known.set(node, found)
    }
    return found
  }
  return sum
}

/** A copy of a node with new ids throughout, made by `newId`. */
export function withNewIds<N extends TreeNode>(node: N, newId: () => Id): N {
  const copy = { ...copyOf(node), id: newId() }
  if (copy.children) copy.children = copy.children.map((child) => withNewIds(child as TreeNode, newId)) as never
  return copy
}

export function emptyColumn(id: Id, span: number): Column {
  return { kind: 'column', id, span, props: {}, styles: {}, children: [] }
}

/** A row with columns of the given spans; `newId` is asked once for the row and once for each column. */
export function emptyRow(newId: () => Id, spans: readonly number[]): Row {
  const id = newId()
  return { kind: 'row', id, props: {}, styles: {}, children: spans.map((s) => emptyColumn(newId(), s)) }
}

/** A place of an element, with one row to begin with. */
export function emptyPlace(newId: () => Id, type: string): Slot {
  const id = newId()
  return { kind: 'place', id, type, props: {}, styles: {}, children: [emptyRow(newId, [12])] }
}

export function emptyLayout(id: Id, name: string, region: Layout['region']): Layout {
  return { kind: 'layout', format: 2, id, name, region, defaults: {}, children: [] }
}

export function elementsOf(layout: Layout | TreeNode): LayoutElement[] {
  return [...walk(layout)].filter((n) => n.kind === 'element')
}

/** Shares out 12 units among columns as evenly as whole numbers allow, wider ones first. */
export function evenSpans(columns: number): number[] {
  return Array.from({ length: columns }, (_, i) => Math.floor(12 / columns) + (i < 12 % columns ? 1 : 0))
}
