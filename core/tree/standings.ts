import type { Id } from '../model'
import { type Parent, childrenOf } from './tree'
import type { Layout, TreeNode } from './types'

/** A node and the id of what holds it. */
export interface Noted {
  node: TreeNode
  parent: Id
}

/** What is known of a layout's nodes by their ids. Of an id that stands twice, the first is known. */
function noteAll(layout: Layout): Map<Id, Noted> {
  const noted = new Map<Id, Noted>()
  const note = (parent: Parent): void => {
    for (const node of childrenOf(parent)) {
      if (!noted.has(node.id)) noted.set(node.id, { node, parent: parent.id })
      note(node)
    }
  }
  note(layout)
  return noted
}

const KNOWN = new WeakMap<Layout, Map<Id, Noted>>()

/** Every node of a layout by its id: worked out when it is first asked for, and carried on by what edits it. */
export function standingsOf(layout: Layout): ReadonlyMap<Id, Noted> {
  let known = KNOWN.get(layout)
  if (!known) KNOWN.set(layout, (known = noteAll(layout)))
  return known
}

/**
 * Hands the standings of a layout on to what an edit made of it, with what changed; null for what is gone. The
 * layout that was edited loses them: they are worked out anew when somebody looks at it again.
 */
export function passOn(from: Layout, to: Layout, changes: ReadonlyMap<Id, Noted | null>): void {
  const known = KNOWN.get(from)
  if (!known) return
  KNOWN.delete(from)
  for (const [id, noted] of changes) {
    if (noted) known.set(id, noted)
    else known.delete(id)
  }
  KNOWN.set(to, known)
}

/** Where something stands. */
export interface NodePosition {
  parent: Parent
  index: number
  node: TreeNode
}

/** Where something with this id stands, or null when the layout has no such id. */
export function find(layout: Layout, id: Id): NodePosition | null {
  const noted = standingsOf(layout).get(id)
  const parent = noted && findParent(layout, noted.parent)
  return parent ? { parent, index: childrenOf(parent).indexOf(noted.node), node: noted.node } : null
}

/** The layout itself, or what in it may hold others, with this id. */
export function findParent(layout: Layout, id: Id): Parent | null {
  return layout.id === id ? layout : (standingsOf(layout).get(id)?.node ?? null)
}

/** The nodes from the outermost row down to the node itself; empty when it is not there. */
export function pathTo(layout: Layout, id: Id): TreeNode[] {
  const standings = standingsOf(layout)
  const path: TreeNode[] = []
  for (let at = standings.get(id); at; at = standings.get(at.parent)) path.unshift(at.node)
  return path
}
