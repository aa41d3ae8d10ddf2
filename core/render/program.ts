import type { Need } from '../conditions'
import type { Id } from '../model'
import type { LayoutRegion } from '../tree'
import type { CssRule } from '../styles'
import { type Chunk, fill, type ListPlan, type Scene, type ScriptName } from '../drawing'

/** A layout compiled for drawing: what is known already, what is filled in, and the CSS that it needs. */
export interface Program {
  layout: Id
  region: LayoutRegion
  chunks: readonly Chunk[]
  rules: readonly CssRule[]
  /** Types of the elements in it, for their shared CSS. */
  elements: ReadonlySet<string>
  families: ReadonlySet<string>
  /** Named looks of the house that it has somewhere. */
  looks: ReadonlySet<string>
  /** Card layouts that its grids draw. */
  cards: ReadonlySet<Id>
  /** CSS beside that of elements of their kind, and the scripts that go along. */
  css: ReadonlySet<string>
  scripts: ReadonlySet<ScriptName>
  /** Lists in it, first to last. */
  lists: ReadonlySet<ListPlan>
  /** True when something in it belongs to the form of the shop. */
  shop: boolean
  /** On what of a request it depends by what its things are shown for, and the address parameters that are read. */
  asks: ReadonlySet<Need>
  parameters: ReadonlySet<string>
}

/** Fills a program with a scene; gives HTML. */
export function draw(program: Program, scene: Scene): string {
  return fill(program.chunks, scene)
}
