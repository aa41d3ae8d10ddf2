import equal from 'fast-deep-equal'
import type { Request } from '../conditions'
import { seeNode } from '../elements'
import { CompiledRules, compareTables, rulesOf, shownAt, tabulate } from '../rules'
import type { Design } from '../design'
import { type DrawnTree, seenOf, treesOf } from '../layouts'
import type { Catalogue } from '../catalogue'
import type { Id } from '../model'
import { REGIONS, type Region, walk } from '../tree'

/** What differs between two designs, page by page. */
export interface Differing {
  /** The pages that look different, by their indices in the catalogue, in their order; each with its regions. */
  pages: { page: number; regions: Region[] }[]
  /** The house style is another: then every page may look different. */
  house: boolean
  /** Layouts that look different, those that are new or gone among them. */
  layouts: Id[]
}

type Both = [before: Pick<Design, 'layouts' | 'menus'>, after: Pick<Design, 'layouts' | 'menus'>]

/** Things of two lists that are not the same in both. */
function changed<T extends { id: Id }>(before: readonly T[] = [], after: readonly T[] = []): Set<Id> {
  const old = new Map(before.map((t) => [t.id, t]))
  const now = new Map(after.map((t) => [t.id, t]))
  return new Set([...old.keys(), ...now.keys()].filter((id) => !equal(old.get(id), now.get(id))))
}

/** The layouts that look different: by their own trees, by what they follow, by their cards, and by menus they show. */
export function layoutsThatDiffer(...[before, after]: Both): Set<Id> {
  const [old, now] = [treesOf(before), treesOf(after)]
  const menus = before.menus && after.menus ? changed(before.menus, after.menus) : new Set<Id>()
  const differs = (id: Id): boolean => {
    const [was, is] = [old.tree(id), now.tree(id)]
    return !was || !is || !equal(seenOf(was), seenOf(is))
  }
  const found = new Set([...before.layouts, ...after.layouts].map((l) => l.id).filter(differs))
  const names = (tree: DrawnTree): boolean => {
    let does = false
    const thing = (kind: string, id: Id) =>
      void (does ||= kind === 'menu' ? menus.has(id) : kind === 'card' && found.has(id))
    for (const node of walk(tree)) seeNode(node, { thing })
    return does
  }
  // A card may hold a list of other cards.
  for (let size = -1; size !== found.size;) {
    size = found.size
    for (const { id } of after.layouts) if (!found.has(id) && names(now.tree(id)!)) found.add(id)
  }
  return found
}

/** What looks different under another design, over the content there is, for one visitor. */
export function compareDesigns(before: Design, after: Design, catalogue: Catalogue, request: Request): Differing {
  const [was, is] = [before, after].map((d) => tabulate(new CompiledRules(rulesOf(d), catalogue), request)) as [
    ReturnType<typeof tabulate>,
    ReturnType<typeof tabulate>,
  ]
  const layouts = layoutsThatDiffer(before, after)
  const house = !equal(before.house, after.house)
  const regions = new Map<number, Set<Region>>()
  const add = (page: number, region?: Region) => {
    const known = regions.get(page) ?? new Set<Region>()
    regions.set(page, region ? known.add(region) : known)
  }
  for (const { page, region } of compareTables(was, is)) add(page, region)
  catalogue.pages.forEach((_, page) => {
    if (house) add(page)
    REGIONS.forEach((region, r) => {
      const shown = shownAt(is, page, r)
      if (shown.kind === 'layout' && layouts.has(shown.layout)) add(page, region)
    })
  })
  const pages = [...regions].sort(([a], [b]) => a - b)
  return {
    pages: pages.map(([page, found]) => ({ page, regions: REGIONS.filter((r) => found.has(r)) })),
    house,
    layouts: [...layouts],
  }
}
