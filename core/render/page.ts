import type { Need } from '../conditions'
import { ELEMENTS } from '../elements'
import { type DrawnTree, type Trees, treeToDraw, treesOf } from '../layouts'
import { type SiteStyle, type Letters, baseCss, fontsAtOnce, layered, lettersOf, namedRules, rulesCss } from '../styles'
import type { ShownRegions } from '../design'
import { REGIONS, type LayoutDocument, type LayoutElement, type Region, elementsOf } from '../tree'
import type { Catalogue } from '../catalogue'
import type { Id, Menu, Page } from '../model'
import { type CompileOptions, compileLayout } from './compile'
import { type Regions, type Sent, document } from './document'
import { attribute, type Fill, type ListPlan, type Scene } from '../drawing'
import { type PlainKind, plainKind, plainLayout } from './plain'
import { type Program, draw } from './program'
import { knowingLists, sameRegions, withoutLeftOut } from './regions'
import { type SharedCard, type TitleLook, cardOf } from '../machines'
import { hasTitle } from './title'
import { plainTitleLook, titleLook } from './title-look'

const PROGRAMS = { plain: new WeakMap<DrawnTree, Program>(), ids: new WeakMap<DrawnTree, Program>() }

/** Compiles what is drawn of a layout, once for each state of it. */
export function programOf(tree: DrawnTree, options: CompileOptions = {}): Program {
  const kept = options.ids ? PROGRAMS.ids : PROGRAMS.plain
  let program = kept.get(tree)
  if (!program) kept.set(tree, (program = compileLayout(tree, options)))
  return program
}

/** A drawn page: the document, and the CSS inside it. */
export interface DrawnPage {
  html: string
  css: string
  /** Whether it has scripts of its own. */
  scripted: boolean
  /** Whether something on it belongs to the form of the shop. */
  shop: boolean
}

/** What of a design is drawn. */
export interface Drawable {
  layouts: readonly LayoutDocument[]
  house: SiteStyle
  menus?: readonly Menu[]
}

/** Something that could not be drawn and was left out: an element, or a whole layout where `node` is null. */
export interface Fault {
  layout: Id
  node: Id | null
  /** Key of the page on which it showed; null when it failed before any page was drawn. */
  page: string | null
  why: string
}

export interface DesignOptions {
  /** The layout whose nodes carry their ids: the one on the bench. */
  withIds?: Id
  /** Told of what is left out because it cannot be drawn. */
  fault?: (fault: Fault, error: unknown) => void
  /** Throws instead of leaving anything out. */
  strict?: boolean
  /** Compiles a layout when it is first drawn, and cards at once; else all of them at once. */
  asNeeded?: boolean
}

/** What goes with all pages that have the same regions. */
interface Dress extends Sent {
  /** The lists in them, in their order. */
  lists: readonly ListPlan[]
}

const PLAIN_TREES = new Map<string, DrawnTree>()

function plainTree(kind: PlainKind, titled: boolean): DrawnTree {
  const key = `${kind} ${titled}`
  let tree = PLAIN_TREES.get(key)
  if (!tree) PLAIN_TREES.set(key, (tree = treeToDraw(plainLayout(kind, titled))))
  return tree
}

const reason = (error: unknown): string => (error instanceof Error ? error.message : String(error))

/**
 * Compiles the layouts of a design one by one, for whoever draws with it next; `turn` is waited for between them. Gives
 * those that cannot be compiled.
 */
export async function compileAhead(design: Drawable, turn: () => Promise<void> | undefined): Promise<Id[]> {
  const trees = treesOf(design)
  const failed: Id[] = []
  for (const { id, region } of design.layouts) {
    await turn()
    try {
      if (region !== 'piece') programOf(trees.tree(id)!)
    } catch {
      failed.push(id)
    }
  }
  return failed
}

const listsOf = (regions: Regions): readonly ListPlan[] =>
  REGIONS.flatMap((region) => [...(regions[region]?.lists ?? [])])

/** Asks for fonts before their rules are read, so that no words change theirs while they are seen. */
const preloads = (fonts: readonly string[]): string =>
  fonts.map((href) => `<link rel="preload" as="font" type="font/woff2"${attribute('href', href)} crossorigin>`).join('')

/**
 * A design compiled for drawing pages. What cannot be drawn is left out and told, and takes nothing else with it:
 * an element where one fails, a layout where none of it can be compiled.
 */
export class CompiledDesign<D extends Drawable = Drawable> {
  /** Card layouts, ready to be drawn; part of every scene. */
  readonly cards: ReadonlyMap<Id, Fill>
  /** Menus of the design, where it has its own; part of every scene. */
  readonly menus: ReadonlyMap<Id, Menu> | undefined
  private readonly trees: Trees
  /** Null for what cannot be compiled. */
  private readonly programs = new Map<Id, Program | null>()
  private readonly plain = new Map<string, Program>()
  private readonly dresses = new Map<string, Dress>()
  private last: { of: Regions; letters: readonly Letters[]; dress: Dress } | null = null

  constructor(
    readonly design: D,
    private readonly options: DesignOptions = {},
  ) {
    this.trees = treesOf(design)
    for (const { id, region } of design.layouts)
      if (region === 'card' || (!options.asNeeded && region !== 'piece')) this.program(id)
    this.menus = design.menus && new Map(design.menus.map((m) => [m.id, m]))
    const cards = [...this.programs.values()].filter((p) => p?.region === 'card') as Program[]
    this.cards = new Map(cards.map((program) => [program.layout, (scene) => draw(program, scene)]))
  }

  private compile(layout: DrawnTree): Program | null {
    try {
      return programOf(layout, { ids: layout.id === this.options.withIds })
    } catch (error) {
      if (this.options.strict) throw error
      this.note({ layout: layout.id, node: null, page: null, why: reason(error) }, error)
      return this.guarded(layout, null)
    }
  }

  private note(fault: Fault, error: unknown): void {
    this.options.fault?.(fault, error)
  }

  /** A layout compiled so that elements that fail are left out; null when not even that can be done. */
  private guarded(layout: DrawnTree, page: string | null): Program | null {
    try {
      return compileLayout(layout, {
        ids: layout.id === this.options.withIds,
        guard: (node, error) => this.note({ layout: layout.id, node: node.id, page, why: reason(error) }, error),
      })
    } catch (error) {
      this.note({ layout: layout.id, node: null, page, why: reason(error) }, error)
      return null
    }
  }

  /** A region that is known to draw: as it is, else without the elements that fail, else with nothing in it. */
  private soundRegion(program: Program, scene: Scene): Program {
    try {
      return { ...program, chunks: [draw(program, scene)] }
    } catch (error) {
      const layout = this.trees.tree(program.layout)
      const again = layout && this.guarded(layout, scene.page.key)
      if (again) return { ...program, chunks: [draw(again, scene)] }
      this.note({ layout: program.layout, node: null, page: scene.page.key, why: reason(error) }, error)
      return { ...program, chunks: [] }
    }
  }

  /** Draws a page of which some region has failed, region by region. */
  private drawSound(scene: Scene, outcome: ShownRegions): DrawnPage {
    const programs = this.regionsOf(scene.page, outcome)
    const knowing = knowingLists(scene, this.dressOf(programs, scene.catalogue).lists)
    for (const region of REGIONS) {
      const program = programs[region]
      if (program) programs[region] = this.soundRegion(program, knowing)
    }
    return this.page(knowing, programs)
  }

  private page(scene: Scene, programs: Regions): DrawnPage {
    const dress = this.dressOf(programs, scene.catalogue)
    return {
      html: document(scene, dress, programs),
      css: dress.css,
      scripted: dress.scripts.length > 0,
      shop: dress.shop,
    }
  }

  /** How the title of a page with these regions looks. */
  private lookOf(regions: Regions): TitleLook {
    const { house } = this.design
    for (const region of ['intro', 'body', 'header', 'footer'] as const) {
      const tree = this.trees.tree(regions[region]?.layout ?? '')
      const look = tree && titleLook(tree, house)
      if (look) return look
    }
    return plainTitleLook(house)
  }

  /** What is drawn where a page is shared that has no picture of its own. */
  cardFor(scene: Scene, outcome: ShownRegions): SharedCard {
    return cardOf(scene, this.lookOf(withoutLeftOut(this.regionsOf(scene.page, outcome), scene)))
  }

  /** On what of a request a layout, or a card that its grids draw, depends, and the address parameters that they read. */
  dependsOn(layout: Id): { needs: Set<Need>; parameters: Set<string> } {
    const program = this.program(layout)
    const all = program ? [program, ...[...program.cards].flatMap((c) => this.program(c) ?? [])] : []
    const needs = new Set(all.flatMap((p) => [...p.asks]))
    return { needs, parameters: new Set(all.flatMap((p) => [...p.parameters])) }
  }

  /** True when a list in a layout may be searched by words. */
  searches(layout: Id): boolean {
    return [...(this.program(layout)?.lists ?? [])].some((plan) => plan.words)
  }

  /** True when a layout has a list of what may have been meant. */
  guesses(layout: Id): boolean {
    return [...(this.program(layout)?.lists ?? [])].some((plan) => plan.source === 'likely')
  }

  /** True when a layout, or a card that its grids draw, holds an element of a type. */
  holds(layout: Id, type: string): boolean {
    const program = this.program(layout)
    return (
      program !== undefined &&
      (program.elements.has(type) || [...program.cards].some((c) => this.program(c)?.elements.has(type)))
    )
  }

  /** True when some element of a layout is so. */
  some(layout: Id, is: (element: LayoutElement) => boolean): boolean {
    const tree = this.trees.tree(layout)
    return tree !== undefined && tree !== null && elementsOf(tree).some(is)
  }

  /** All elements that stand on a page. */
  elementsOn(page: Page, { regions }: ShownRegions): LayoutElement[] {
    return REGIONS.flatMap((region) => {
      const { shown } = regions[region]
      const plain = shown.kind === 'plain' ? plainTree(plainKind(page), true) : undefined
      const tree = shown.kind === 'layout' ? this.trees.tree(shown.layout) : plain
      return tree ? elementsOf(tree) : []
    })
  }

  /** An element that stands on a page, by its type and its id; null where it does not. */
  elementOn(page: Page, outcome: ShownRegions, type: string, id: Id): LayoutElement | null {
    return this.elementsOn(page, outcome).find((e) => e.type === type && e.id === id) ?? null
  }

  program(layout: Id): Program | undefined {
    const known = this.programs.get(layout)
    if (known !== undefined) return known ?? undefined
    const tree = this.trees.tree(layout)
    const made = tree ? this.compile(tree) : null
    this.programs.set(layout, made)
    return made ?? undefined
  }

  private plainProgram(kind: PlainKind, titled: boolean): Program {
    const key = `${kind} ${titled}`
    let program = this.plain.get(key)
    if (!program) this.plain.set(key, (program = compileLayout(plainTree(kind, titled))))
    return program
  }

  /** What stands in the body of a page where no frame has a say. */
  plainOf(page: Page): Program {
    return this.plainProgram(plainKind(page), true)
  }

  /** The program of each region of a page; none where the region is empty. */
  regionsOf(page: Page, outcome: ShownRegions): Partial<Record<Region, Program>> {
    const found: Partial<Record<Region, Program>> = {}
    for (const region of REGIONS) {
      const { shown } = outcome.regions[region]
      if (shown.kind === 'layout') found[region] = this.program(shown.layout)
      else if (shown.kind === 'plain') {
        const titled = [found.header, found.intro].some((p) => p && hasTitle(this.trees.tree(p.layout)!))
        found[region] = this.plainProgram(plainKind(page), titled)
      }
    }
    return found
  }

  /** What goes with pages that have these regions; kept, since many pages share them. */
  private dressOf(regions: Regions, { site }: Catalogue): Dress {
    const letters = lettersOf(site.settings.locale)
    if (this.last?.letters === letters && sameRegions(this.last.of, regions)) return this.last.dress
    const { header, intro, body, footer } = regions
    const key = `${header?.layout} ${intro?.layout} ${body?.layout} ${footer?.layout} ${letters.join(' ')}`
    let dress = this.dresses.get(key)
    if (!dress) this.dresses.set(key, (dress = this.newDress(regions, letters)))
    this.last = { of: regions, letters, dress }
    return dress
  }

  private newDress(regions: Regions, letters: readonly Letters[]): Dress {
    const used = this.used(regions)
    return {
      fonts: preloads(fontsAtOnce(this.design.house, letters)),
      css: this.writeCss(used, letters),
      scripts: [...new Set(used.flatMap((p) => [...p.scripts]))],
      look: this.lookOf(regions),
      shop: used.some((p) => p.shop),
      lists: listsOf(regions),
    }
  }

  /** All programs that a page with these regions needs: their own, and those of the cards in them. */
  used({ header, intro, body, footer }: Regions): Program[] {
    const all = new Set([header, intro, body, footer].filter((p) => p !== undefined))
    for (const program of [...all]) {
      for (const id of program.cards) {
        const card = this.program(id)
        if (card?.region === 'card') all.add(card)
      }
    }
    return [...all]
  }

  private writeCss(used: readonly Program[], letters: readonly Letters[]): string {
    const shown = new Set(used.flatMap((p) => [...p.elements]))
    const parts = new Set(ELEMENTS.filter((e) => shown.has(e.type)).flatMap((e) => e.css))
    const families = used.flatMap((p) => [...p.families]).filter((f) => !f.startsWith('@'))
    const looks = new Set(used.flatMap((p) => [...p.looks]))
    const named = this.design.house.looks.filter((look) => looks.has(look.id)).flatMap(namedRules)
    const rules = used.flatMap((p) => p.rules)
    for (const css of used.flatMap((p) => [...p.css])) parts.add(css)
    const base = baseCss(this.design.house, families, letters) + [...parts].join('')
    return layered({ base, saved: rulesCss(named), own: rulesCss(rules) })
  }

  /** Draws a whole page. */
  draw(scene: Scene, outcome: ShownRegions): DrawnPage {
    if (this.options.strict) return this.drawWhole(scene, outcome)
    try {
      return this.drawWhole(scene, outcome)
    } catch {
      // What fails is found again, told, and left out; what fails outside the regions fails again.
      return this.drawSound(scene, outcome)
    }
  }

  private drawWhole(given: Scene, outcome: ShownRegions): DrawnPage {
    const programs = withoutLeftOut(this.regionsOf(given.page, outcome), given)
    return this.page(knowingLists(given, this.dressOf(programs, given.catalogue).lists), programs)
  }

  /** The lists that a page shows, in the order of its regions. */
  listsShown(page: Page, outcome: ShownRegions): readonly ListPlan[] {
    return listsOf(this.regionsOf(page, outcome))
  }
}
