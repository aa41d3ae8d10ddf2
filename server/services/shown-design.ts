import type { Need, Request } from '../../core/conditions'
import { type ListPlan, ANY_REQUEST } from '../../core/drawing'
import { isForFiles } from '../../core/elements'
import { fieldName } from '../../core/forms'
import { CompiledRules, dependsOn, goesByDay, layoutsOn, resolve, rulesOf } from '../../core/rules'
import type { Design } from '../../core/design'
import { CompiledDesign, type Fault } from '../../core/render'
import { type Catalogue, WORKING_KINDS } from '../../core/catalogue'
import type { Page } from '../../core/model'
import type { Parameters } from '../../core/addresses'
import type { LayoutElement } from '../../core/tree'
import type { Depends } from './answer'
import type { Posts } from './asked'
import { log } from './log'

/** A design as visitors are shown it, and what is known of each page under it. */

/** So many different faults are kept for the checks; the log has all of them. */
const MOST_FAULTS = 100

/** What is known of a page under one design over one state of the content. */
interface Known extends Depends {
  /** Types of elements on it that take what a form sends. */
  posts: readonly string[]
  /** Whether it shows what words find. */
  searches: boolean
  /** Whether it offers what an address at which there is no page may have meant. */
  guesses: boolean
}

function noteFault(known: Map<string, Fault>, fault: Fault, error: unknown): void {
  const key = `${fault.layout} ${fault.node} ${fault.why}`
  if (known.has(key)) return
  if (known.size < MOST_FAULTS) known.set(key, fault)
  log('error', 'cannot-be-drawn', { ...fault, error: String((error as Error)?.stack ?? error) })
}

/** A design compiled for visitors, and what of it turned out not to be drawn. */
export interface Compiled {
  compiled: CompiledDesign<Design>
  faulty: Map<string, Fault>
}

/** Compiles a design for visitors; where all but `failed` was compiled before, only that is tried again and told. */
export function compile(design: Design, failed?: readonly string[]): Compiled {
  const faulty = new Map<string, Fault>()
  const fault = (found: Fault, error: unknown) => noteFault(faulty, found, error)
  const compiled = new CompiledDesign<Design>(design, { fault, asNeeded: failed !== undefined })
  for (const id of failed ?? []) compiled.program(id)
  return { compiled, faulty }
}

/** What the regions of a page come to. */
export type Outcome = ReturnType<typeof resolve>

/** One design, compiled, over one state of the content: which layouts a page has, and what that depends on. */
export class ShownDesign {
  private readonly known = new Map<Page, Known>()
  readonly compiled: CompiledDesign<Design>
  private readonly rules: CompiledRules

  constructor(
    private readonly made: Compiled,
    readonly catalogue: Catalogue,
    private readonly posts: Posts,
  ) {
    this.compiled = made.compiled
    this.rules = new CompiledRules(rulesOf(this.compiled.design), catalogue)
  }

  /** The same design over another state of the content. */
  over(catalogue: Catalogue): ShownDesign {
    return new ShownDesign(this.made, catalogue, this.posts)
  }

  /** What of the design was left out so far because it could not be drawn. */
  get faults(): Fault[] {
    return [...this.made.faulty.values()]
  }

  /** Whether which layout applies to some page may go by the day. */
  get byDay(): boolean {
    return goesByDay(this.compiled.design.frames)
  }

  /** What is known of a page, found out once. */
  knownOf(page: Page): Known {
    let known = this.known.get(page)
    if (!known) this.known.set(page, (known = this.know(page)))
    return known
  }

  private know(page: Page): Known {
    const { needs: asked, parameters: read } = dependsOn(this.rules, page)
    const layouts = [...layoutsOn(this.rules, page)]
    const needs = new Set<Need>(asked)
    const parameters = new Set(read)
    for (const layout of layouts) {
      const own = this.compiled.dependsOn(layout)
      for (const need of own.needs) needs.add(need)
      for (const name of own.parameters) parameters.add(name)
    }
    // What stands in where no frame has a say may ask more than any layout.
    const plain = WORKING_KINDS.has(page.kind) ? this.compiled.plainOf(page) : null
    for (const need of plain?.asks ?? []) needs.add(need)
    for (const name of plain?.parameters ?? []) parameters.add(name)
    const searches = page.kind === 'search' || layouts.some((l) => this.compiled.searches(l))
    if (searches) parameters.add('q')
    const holds = (type: string) => plain?.elements.has(type) || layouts.some((l) => this.compiled.holds(l, type))
    const shops = plain?.shop || layouts.some((l) => this.compiled.program(l)?.shop)
    const posts = Object.keys(this.posts).filter((type) => (type === 'shop' ? shops : holds(type)))
    const guesses = page.kind === 'not-found' && layouts.some((l) => this.compiled.guesses(l))
    return { needs, parameters, posts, searches, guesses }
  }

  /**
   * The parameters that a page reads, of those that were given, by name in one order: addresses that differ in
   * others, or in their order, are one.
   */
  parametersOf(page: Page, given: Parameters): Parameters {
    const names = [...this.knownOf(page).parameters].filter((name) => Object.hasOwn(given, name)).sort()
    return Object.fromEntries(names.map((name) => [name, given[name]!]))
  }

  /** What the regions of a page come to for whoever asks. */
  outcomeOf(page: Page, request: Request): Outcome {
    return resolve(this.rules, page, request)
  }

  /** The lists on another page than the one that is drawn: as everybody meets it. */
  readonly listsOf = (page: Page): readonly ListPlan[] =>
    this.compiled.listsShown(page, this.outcomeOf(page, ANY_REQUEST))

  /** Whether some form on a page takes files. */
  takesFiles(page: Page): boolean {
    return this.holds(page, isForFiles)
  }

  /** Whether a field of a form on a page takes files. */
  takesFile(page: Page, form: string, field: string): boolean {
    return (
      this.holds(page, ({ type, id }) => type === 'form' && id === form) &&
      this.holds(page, (element) => isForFiles(element) && fieldName(element.id) === field)
    )
  }

  private holds(page: Page, is: (element: LayoutElement) => boolean): boolean {
    return [...layoutsOn(this.rules, page)].some((id) => this.compiled.some(id, is))
  }
}
