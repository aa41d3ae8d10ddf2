import type { Request } from '../conditions'
import { CompiledRules, rulesOf, tabulate } from '../rules'
import type { Design } from '../design'
import { type DrawnTree, treesOf } from '../layouts'
import type { Catalogue } from '../catalogue'
import { type Id, pagesOfItems } from '../model'
import { REGIONS } from '../tree'
import { checkDeadLinks } from './addresses'
import { checkContrast } from './contrast'
import { checkFollowing, checkPlaces } from './following'
import { checkHouse } from './house'
import { type Lives, checkRanking, checkReferences } from './frames'
import { checkFields, checkForms, checkOpenLinks, checkThings, gridsOf, namedOf } from './layouts'
import { checkPages, checkWork, typesByLayout } from './pages'
import { checkSelling } from './selling'
import type { Finding } from './types'

/** The layouts of the regions that frames decide somewhere, or would if a writer chose them. */
const deciding = ({ frames }: Design, lives: Lives): Id[] =>
  frames
    .filter((f) => f.on)
    .flatMap((frame) =>
      REGIONS.flatMap((region) => {
        const say = frame.regions[region]
        const counts = frame.offeredTo.length > 0 || lives.get(frame.id)?.decides.has(region)
        return counts && say.kind === 'use' ? [say.layout] : []
      }),
    )

/** Layouts that decide nothing anywhere, that no grid of one that does draws, and that stand in none as a piece. */
function unreached(design: Design, trees: readonly DrawnTree[], lives: Lives): Finding[] {
  const used = new Set(deciding(design, lives))
  for (const tree of trees) if (used.has(tree.id)) for (const { card } of gridsOf(tree)) used.add(card)
  // What a used one follows is used.
  for (const layout of design.layouts)
    if (used.has(layout.id)) for (const { id } of treesOf(design).basesOf(layout).bases) used.add(id)
  // So is a piece that stands in one.
  for (const layout of design.layouts)
    if (used.has(layout.id)) for (const id of treesOf(design).allPiecesIn(layout)) used.add(id)
  return design.layouts.filter((l) => !used.has(l.id) && !l.starter).map((l) => ({ kind: 'unreached', layout: l.id }))
}

function chosenFrames(design: Design, catalogue: Catalogue): Finding[] {
  const frames = new Map(design.frames.map((f) => [f.id, f]))
  return catalogue.site.entries.flatMap((entry) => {
    if (!entry.chosenFrame || frames.get(entry.chosenFrame)?.offeredTo.includes(entry.type)) return []
    return { kind: 'dangling' as const, what: 'frame' as const, id: entry.chosenFrame, entry: entry.id }
  })
}

/** Items of menus whose page is gone or not out: visitors do not see them. */
const menuItems = (catalogue: Catalogue): Finding[] =>
  catalogue.site.menus.flatMap(({ id: menu, items }) =>
    pagesOfItems(items)
      .filter((key) => !catalogue.page(key))
      .map((id) => ({ kind: 'dangling' as const, what: 'page' as const, id, menu })),
  )

/**
 * Everything about a design that will not do what was meant, over the content there is. What depends on who
 * asks is judged for `request`; ties and dead frames are judged for anybody.
 */
export function checkDesign(design: Design, catalogue: Catalogue, request: Request): Finding[] {
  const compiled = new CompiledRules(rulesOf(design), catalogue)
  const table = tabulate(compiled, request)
  const drawn = design.layouts.map((l) => treesOf(design).of(l))
  const trees = drawn.map(({ tree }) => tree)
  const layouts = new Map(trees.map((t) => [t.id, t]))
  const named = namedOf(design)
  const types = typesByLayout(table, catalogue, layouts)
  const ranking = checkRanking(compiled)
  return [
    ...ranking.findings,
    ...checkReferences(design.frames, compiled),
    ...trees.flatMap((l) => checkThings(l, catalogue, named)),
    ...[...types].flatMap(([id, used]) => (layouts.has(id) ? checkFields(layouts.get(id)!, used, catalogue) : [])),
    ...design.layouts.flatMap((l, i) => checkFollowing(l, drawn[i]!)),
    ...design.layouts.flatMap((l, i) => checkPlaces(l, drawn[i]!)),
    ...trees.flatMap(checkOpenLinks),
    ...trees.flatMap(checkForms),
    ...checkDeadLinks(trees, catalogue),
    ...trees.flatMap((l) => checkContrast(l, design.house, catalogue)),
    ...checkHouse(design),
    ...checkPages(compiled, table, layouts),
    ...checkWork(compiled, request),
    ...unreached(design, trees, ranking.lives),
    ...chosenFrames(design, catalogue),
    ...menuItems(catalogue),
    ...checkSelling(catalogue),
  ]
}
