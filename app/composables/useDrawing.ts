import type { Request } from '#core/conditions'
import { CompiledRules, type RuleSet, resolve } from '#core/rules'
import type { Design, ShownRegions } from '#core/design'
import { REGIONS, type LayoutRegion, elementsOf } from '#core/tree'
import { treesOf } from '#core/layouts'
import { CompiledDesign } from '#core/render'
import { ANYBODY, type Scene, sceneOf } from '#core/drawing'
import type { Catalogue } from '#core/catalogue'
import { type Sample, asItIs, sampled } from '#core/editor'
import type { Id, Page } from '#core/model'
import { useSession } from '~/stores/session'
import { useSite } from '~/stores/site'

export interface DrawOptions {
  design: Design
  rules: RuleSet
  page: Page
  request: Request
  /** Shows a layout in its region whatever the frames say, with the ids of its nodes. */
  inHand?: { layout: Id; region: LayoutRegion }
  /** Leaves every other region empty. */
  alone?: boolean
  /** What a page that lists entries is shown with while a layout is in hand; what it lists, where it is not said. */
  sample?: Sample
  /** Shows a card in hand in a grid of real entries instead of by itself. */
  grid?: boolean
}

const COMPILED = new WeakMap<RuleSet, CompiledRules>()

/** Rules made ready for deciding, once for each state of them over each state of the content. */
function compiledFrom(rules: RuleSet, catalogue: Catalogue): CompiledRules {
  let compiled = COMPILED.get(rules)
  if (compiled?.catalogue !== catalogue) COMPILED.set(rules, (compiled = new CompiledRules(rules, catalogue)))
  return compiled!
}

const USUAL = 12

/** How many entries stand on a screen of the list in a layout. */
function mostOn(design: Design, id: Id): number {
  const layout = treesOf(design).tree(id)
  const list = layout && elementsOf(layout).find((e) => e.type === 'entry-list' && e.props.source === 'page')
  return typeof list?.props.most === 'number' ? list.props.most : USUAL
}

/** What a page is drawn from: the design compiled, what its regions show, and what they are filled with. */
export interface Prepared {
  compiled: CompiledDesign
  outcome: ShownRegions
  scene: Scene
}

/**
 * Draws a page of the draft with the renderer of the published site. What is drawn depends on the content that
 * has arrived, so it is reactive to it.
 */
export function useDrawing() {
  const site = useSite()
  const session = useSession()

  function prepare(options: DrawOptions): Prepared | null {
    const { design: kept, rules, page: asked, request: looking, inHand, alone, grid, sample = 'real' } = options
    const { formats } = site
    const whole = site.catalogue?.asAt(looking.at)
    if (!whole || site.contentArrived < 0) return null
    const ofMember = inHand !== undefined && asked.kind === 'member'
    // A member's page seen by itself is as a member sees it: nobody else has anything there.
    const asking = ofMember && alone ? { ...looking, role: 'member', signedIn: true } : looking
    void site.needContent(asked.entry).catch(() => {})
    const { catalogue, page, query, found, likely, screen } = inHand
      ? sampled(whole, asked, sample, mostOn(kept, inHand.layout))
      : asItIs(whole, asked)
    const parameters = {
      ...asking.parameters,
      ...(query && { q: [query] }),
      ...(screen > 1 && { page: [String(screen)] }),
    }
    const request = query || screen > 1 ? { ...asking, parameters } : asking
    const inGrid = grid && inHand?.region === 'card' ? cardGrid(inHand.layout, page.type ?? null) : null
    const design = inGrid ? { ...kept, layouts: [...kept.layouts, inGrid] } : kept
    const compiled = new CompiledDesign(design, { withIds: alone ? undefined : inHand?.layout, asNeeded: true })
    const decided = (other: Page) => resolve(compiledFrom(rules, catalogue), other, request)
    const outcome = decided(page)
    const lists = (other: Page) => compiled.listsShown(other, other === page ? outcome : decided(other))
    if (inHand) {
      if (alone) for (const other of REGIONS) outcome.regions[other] = { shown: { kind: 'empty' }, by: null }
      const region = regionSeen(inHand.region)
      // What is worked on is drawn as it is, whatever it still lacks.
      outcome.regions[region] = { shown: { kind: 'layout', layout: inGrid?.id ?? inHand.layout }, by: null }
    }
    return {
      compiled,
      outcome,
      scene: sceneOf(catalogue, formats, page, {
        cards: compiled.cards,
        menus: compiled.menus,
        // Where a page greets whoever is signed in, that is whoever looks.
        visitor: asking.signedIn || ofMember ? { role: asking.role, name: session.user?.name ?? '' } : ANYBODY,
        request,
        query,
        found,
        likely,
        lists,
      }),
    }
  }

  function draw(options: DrawOptions): string {
    const prepared = prepare(options)
    return prepared ? prepared.compiled.draw(prepared.scene, prepared.outcome).html : ''
  }

  return { prepare, draw }
}
