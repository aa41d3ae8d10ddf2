import type { Need } from '../conditions'
import type { LayoutElement, LayoutRegion, Slot, TreeNode, Value } from '../tree'
import type { Chunk } from './chunk'
import type { ListPlan } from './list-plan'
import type { PAGE_SCRIPTS } from './page-scripts'

/** Scripts of published pages, by the element that needs them. */
export type ScriptName = keyof typeof PAGE_SCRIPTS

/** Which item of which property. */
interface Within {
  items: string
  item: string
}

/** What an element sees while it is compiled. */
export interface Compile {
  region: LayoutRegion
  /** The opening attributes of a thing: its classes and, for the bench, its id. */
  attributes(node: TreeNode, ...classes: string[]): string
  /** The opening attributes of a part: its classes, with those of its looks. */
  part(element: LayoutElement, part: string, ...classes: string[]): string
  /** The class of a named look of the house, which is sent along. */
  look(id: Value): string
  /** On the bench, marks what is drawn straight from the words of a property, or of one of the items it holds. */
  words(property: string, item?: Within): string
  /** How wide a picture here is drawn, as browsers are told it: by the columns that it stands in. */
  readonly sizes: string
  /** Whether links that lead nowhere yet are drawn all the same: on the bench, never for visitors. */
  readonly open: boolean
  /** Whether a part is shown. */
  shows(element: LayoutElement, part: string): boolean
  /** The rows that stand in a place; what surrounds them is the element's. */
  place(place: Slot): Chunk
  /** What an element draws around a place and in it, drawn where the place is shown. */
  shown(place: Slot, chunk: Chunk): Chunk
  /** CSS that goes with what is drawn, beside that of all elements of its kind. */
  css(part: string): void
  /** A script that goes with what is drawn, by its name among those of the elements. */
  script(name: ScriptName): void
  /** A list that is drawn, and may be asked for by address parameters. */
  list(plan: ListPlan): void
  /** An address parameter that what is drawn depends on. */
  reads(parameter: string): void
  /** What is drawn depends on this of whoever asks: on who is signed in, on what is in their basket. */
  depends(need: Need): void
  /** What is asked belongs to the form of the shop, of which each page has one. */
  shopForm(): void
  /** A card layout that is drawn inside this one. */
  usesCard(layout: string): void
}
