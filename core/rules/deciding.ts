import { isWork } from '../elements'
import { type Trees, treesOf } from '../layouts'
import { type LayoutDocument, type LayoutRegion, elementsOf } from '../tree'
import type { Id } from '../model'
import type { Design } from '../design'
import type { RuleSet } from './resolve'

type Deciding = Pick<RuleSet, 'layoutRegions' | 'work'>

const DECIDING = new WeakMap<Trees, Deciding>()

/** What of the layouts of a design decides; found once for each state of them. */
function decidingIn(layouts: readonly LayoutDocument[]): Deciding {
  const trees = treesOf({ layouts })
  const known = DECIDING.get(trees)
  if (known) return known
  const layoutRegions = new Map<Id, LayoutRegion | null>()
  const work = new Map<Id, readonly string[]>()
  for (const layout of layouts) {
    const { tree, baseless } = trees.of(layout)
    layoutRegions.set(layout.id, baseless ? null : layout.region)
    const types = new Set(elementsOf(tree).map((e) => e.type))
    const doing = [...types].filter(isWork)
    if (doing.length > 0) work.set(layout.id, doing)
  }
  const found = { layoutRegions, work }
  DECIDING.set(trees, found)
  return found
}

/** The part of a design that decides; a variation whose base is gone stands in it as one that draws nothing. */
export const rulesOf = ({ layouts, frames }: Pick<Design, 'layouts' | 'frames'>): RuleSet => ({
  frames,
  ...decidingIn(layouts),
})
