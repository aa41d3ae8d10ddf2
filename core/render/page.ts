import { ELEMENTS } from '../elements'
import type { Design, Outcome } from '../frames'
import { REGIONS, elementsOf, type Layout, type Region } from '../layouts'
import type { Id, Page, SiteSettings } from '../site'
import { baseCss, rulesCss } from '../styles'
import { type CompileOptions, compileLayout } from './compile'
import { attribute, escapeHtml } from './escape'
import { type PlainKind, plainKind, plainLayout } from './plain'
import { type Program, draw } from './program'
import type { Scene } from './scene'

const PROGRAMS = { plain: new WeakMap<Layout, Program>(), ids: new WeakMap<Layout, Program>() }

/** Compiles a layout, once for each state of it. */
export function programOf(layout: Layout, options: CompileOptions = {}): Program {
  const kept = options.ids ? PROGRAMS.ids : PROGRAMS.plain
  let program = kept.get(layout)
  if (!program) kept.set(layout, (program = compileLayout(layout, options)))
  return program
}

/** True when a layout holds a heading of level 1. */
export function hasTitle(layout: Layout): boolean {
  return elementsOf(layout).some((e) => e.type === 'heading' && e.props.level === '1')
}

/** A drawn page: the document, and the CSS inside it. */
export interface DrawnPage {
  html: string
  css: string
}

/**
 * A design compiled for drawing pages. `withIds` names the layout whose nodes carry their ids: the one on the
 * bench.
 */
export class CompiledDesign {
  readonly cards: ReadonlyMap<Id, Program>
  private readonly programs: Map<Id, Program>
  private readonly titled: Set<Id>
  private readonly plain = new Map<string, Program>()
  private readonly css = new Map<string, string>()

  /** True when any layout reads the visitor, so that who is signed in must be known. */
  readonly readsVisitor: boolean

  constructor(
    readonly design: Design,
    withIds?: Id,
  ) {
    this.programs = new Map(design.layouts.map((l) => [l.id, programOf(l, { ids: l.id === withIds })]))
    this.readsVisitor = [...this.programs.values()].some((p) => p.personal)
    this.titled = new Set(design.layouts.filter(hasTitle).map((l) => l.id))
    this.cards = new Map([...this.programs].filter(([, p]) => p.region === 'card'))
  }

  program(layout: Id): Program | undefined {
    return this.programs.get(layout)
  }

  private plainProgram(kind: PlainKind, titled: boolean): Program {
    const key = `${kind} ${titled}`
    let program = this.plain.get(key)
    if (!program) this.plain.set(key, (program = compileLayout(plainLayout(kind, titled))))
    return program
  }

  /** The program of each region of a page; none where the region is empty. */
  regionsOf(page: Page, outcome: Pick<Outcome, 'regions'>): Partial<Record<Region, Program>> {
    const found: Partial<Record<Region, Program>> = {}
    for (const region of REGIONS) {
      const { shown } = outcome.regions[region]
      if (shown.kind === 'layout') found[region] = this.programs.get(shown.layout)
      else if (shown.kind === 'plain') {
        const titled = [found.header, found.intro].some((p) => p && this.titled.has(p.layout))
        found[region] = this.plainProgram(plainKind(page), titled)
      }
    }
    return found
  }

  /** The CSS of a page that these programs draw; kept, since many pages share their regions. */
  cssFor(programs: readonly Program[]): string {
    const key = programs.map((p) => p.layout).join(' ')
    let css = this.css.get(key)
    if (css === undefined) this.css.set(key, (css = this.writeCss(programs)))
    return css
  }

  private writeCss(programs: readonly Program[]): string {
    const all = new Set(programs)
    for (const program of programs) {
      for (const id of program.cards) {
        const card = this.cards.get(id)
        if (card) all.add(card)
      }
    }
    const used = [...all]
    const shown = new Set(used.flatMap((p) => [...p.elements]))
    const parts = new Set(ELEMENTS.filter((e) => shown.has(e.type)).flatMap((e) => e.css))
    const families = used.flatMap((p) => [...p.families]).filter((f) => !f.startsWith('@'))
    return baseCss(this.design.house, families) + [...parts].join('') + rulesCss(used.flatMap((p) => p.rules))
  }

  /** Draws a whole page. */
  draw(scene: Scene, outcome: Pick<Outcome, 'regions'>): DrawnPage {
    const programs = this.regionsOf(scene.page, outcome)
    const list = REGIONS.flatMap((r) => programs[r] ?? [])
    const css = this.cssFor(list)
    const html = document(scene, css, programs)
    return { html, css }
  }
}

/** What stands in the window's title. */
function windowTitle(page: Page, settings: SiteSettings): string {
  return page.kind === 'home' ? settings.name : `${page.title} – ${settings.name}`
}

function descriptionOf({ subject, page, catalogue }: Scene): string | null {
  if (subject.kind === 'entry') return subject.entry.excerpt || null
  if (subject.kind === 'term') return subject.term.tagline || null
  if (subject.kind === 'person') return subject.person.role || null
  return page.kind === 'home' ? catalogue.site.settings.tagline || null : null
}

function head(scene: Scene, css: string): string {
  const { page, catalogue } = scene
  const { settings } = catalogue.site
  const description = descriptionOf(scene)
  const lost = page.kind === 'not-found' || page.kind === 'search'
  return (
    `<head><meta charset="utf-8"><title>${escapeHtml(windowTitle(page, settings))}</title>` +
    '<meta name="viewport" content="width=device-width, initial-scale=1">' +
    (description ? `<meta name="description"${attribute('content', description)}>` : '') +
    (lost
      ? '<meta name="robots" content="noindex">'
      : `<link rel="canonical"${attribute('href', settings.origin + page.address)}>`) +
    `<link rel="icon" href="data:,"><style>${css}</style></head>`
  )
}

function document(scene: Scene, css: string, programs: Partial<Record<Region, Program>>): string {
  const { header, intro, body, footer } = programs
  const lang = attribute('lang', scene.catalogue.site.settings.locale)
  return (
    `<!DOCTYPE html><html${lang}>${head(scene, css)}<body><a class="skip" href="#main">Skip to content</a>` +
    (header ? `<header>${draw(header, scene)}</header>` : '') +
    '<main id="main">' +
    (intro ? `<div class="intro">${draw(intro, scene)}</div>` : '') +
    (body ? `<div class="body">${draw(body, scene)}</div>` : '') +
    '</main>' +
    (footer ? `<footer>${draw(footer, scene)}</footer>` : '') +
    '</body></html>'
  )
}
