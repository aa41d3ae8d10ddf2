import type { Layout } from '../tree'

declare const DRAWN: unique symbol

/**
 * The tree that is drawn for a layout: what is compiled, counted and checked. In it the id of every node is a path,
 * unique however often one thing is drawn.
 */
export type DrawnTree = Layout & { readonly [DRAWN]: true }

/** The one way from a layout to what is drawn of it. Today a layout is drawn as it stands, its ids being the paths. */
export function treeToDraw(layout: Layout): DrawnTree {
  return layout as DrawnTree
}
