import { type DrawnTree, treesOf } from '#core/layouts'
import { type Known, type Patched, knownTo, patchesBetween } from '#core/render'
import type { Scene } from '#core/drawing'
import { useSite } from '~/stores/site'

/** Where a page is written to. */
export interface Paper {
  /** The page as a whole; what stands there already is kept where it is the same. */
  show(html: string): void
  patch(patched: Patched): void
}

/** After so many rules written one by one, the page is drawn as a whole and its sheet begins anew. */
const MOST_RULES = 400

interface PageInputs {
  /** Everything but the layout in hand on which the page depends. */
  given: readonly unknown[]
  tree: DrawnTree
  scene: Scene
  known: Known
  written: Set<string>
}

const same = (a: readonly unknown[], b: readonly unknown[]) => a.length === b.length && a.every((v, i) => v === b[i])

/**
 * Keeps a page on paper as the design stands: an edit of the layout in hand writes what it touches, and anything
 * else draws the page as a whole, with the same programs.
 */
export function useLivePage(options: () => DrawOptions & { inHand: NonNullable<DrawOptions['inHand']> }, paper: Paper) {
  const site = useSite()
  const { prepare } = useDrawing()
  let standing: PageInputs | null = null

  function givenNow({ design, page, request, inHand, alone, grid, sample }: DrawOptions): unknown[] {
    const others = design.layouts.filter((l) => l.id !== inHand!.layout)
    const from = [
      page,
      request,
      alone,
      grid,
      sample,
      inHand!.layout,
      design.house,
      site.catalogue,
      site.formats,
      site.contentArrived,
    ]
    return [...from, ...design.frames, ...others]
  }

  function drawWhole(drawing: DrawOptions, given: unknown[], tree: DrawnTree): void {
    const prepared = prepare(drawing)
    if (!prepared) return
    const { compiled, scene, outcome } = prepared
    paper.show(compiled.draw(scene, outcome).html)
    const known = knownTo(compiled.used(compiled.regionsOf(scene.page, outcome)))
    standing = { given, tree, scene, known, written: new Set(known.rules) }
  }

  function patchesTo(given: unknown[], tree: DrawnTree): Patched | null {
    if (!standing || !same(standing.given, given)) return null
    const patched = patchesBetween(standing.tree, tree, standing.scene, standing.known)
    if (!patched) return null
    const rules = new Map([...patched.rules].filter(([name]) => !standing!.written.has(name)))
    return standing.written.size + rules.size - standing.known.rules.size > MOST_RULES ? null : { ...patched, rules }
  }

  function update(): void {
    const drawing = options()
    const tree = treesOf(drawing.design).tree(drawing.inHand.layout)
    if (!tree) return
    const given = givenNow(drawing)
    // A card in a grid is drawn many times over.
    const patched = drawing.grid ? null : patchesTo(given, tree)
    if (!patched) return drawWhole(drawing, given, tree)
    standing!.tree = tree
    for (const name of patched.rules.keys()) standing!.written.add(name)
    paper.patch(patched)
  }

  /** Draws the page as a whole again, for when what stood there is gone. */
  function again(): void {
    standing = null
    update()
  }

  watch(() => [options(), site.catalogue, site.formats, site.contentArrived], update, { flush: 'post' })
  return { again }
}
