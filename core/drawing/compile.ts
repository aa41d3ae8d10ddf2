import type { LayoutRegion, TreeNode } from '../tree'

/** What an element sees while it is compiled. */
export interface Compile {
  region: LayoutRegion
  /** The opening attributes of a thing: its classes and, for the bench, its id. */
  attributes(node: TreeNode, ...classes: string[]): string
  /** A card layout that is drawn inside this one. */
  usesCard(layout: string): void
}
