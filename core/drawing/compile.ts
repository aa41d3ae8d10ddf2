import type { LayoutElement, LayoutRegion, Place, TreeNode } from '../tree'
import type { Chunk } from './chunk'

/** What an element sees while it is compiled. */
export interface Compile {
  region: LayoutRegion
  /** The opening attributes of a thing: its classes and, for the bench, its id. */
  attributes(node: TreeNode, ...classes: string[]): string
  /** The opening attributes of a part: its classes, with those of its looks. */
  part(element: LayoutElement, part: string, ...classes: string[]): string
  /** Whether a part is shown. */
  shows(element: LayoutElement, part: string): boolean
  /** The rows that stand in a place; what surrounds them is the element's. */
  place(place: Place): Chunk
  /** A card layout that is drawn inside this one. */
  usesCard(layout: string): void
}
