import type { Device, Need, Request } from '../../core/conditions'
import {
  BARE_DESIGN,
  CompiledRules,
  type Design,
  dependsOn,
  goesByDay,
  layoutsOn,
  resolve,
  rulesOf,
} from '../../core/frames'
import { SENT, isForFiles } from '../../core/elements'
import { ANY_REQUEST, type ListPlan, type Scene, sceneOf } from '../../core/drawing'
import { CompiledDesign, type DrawnPage, type Fault, compileAhead, isBeyond, wellAsked } from '../../core/render'
import {
  type AskedAddress,
  BY_DAY,
  type Page,
  type Parameters,
  WORKING_KINDS,
  readParameters,
  writeParameters,
} from '../../core/site'
import { type SharedCard, cardAddress, cardAt, isMachineAddress, machineFile, suggestionsOf } from '../../core/machines'
import type { FormState } from '../../core/forms'
import { type Shopping, sampleShopping } from '../../core/shop'
import type { LayoutElement } from '../../core/tree'
import {
  type Answer,
  type Depends,
  NOTHING,
  answerOf,
  withHeaders,
  cacheHeaders,
  policyFor,
  redirectTo,
  sentenceOf,
} from './answer'
import type { Content, Stale } from './content'
import { log } from './log'
import { FOUND_NOTHING } from './search'
import { type Ready, ReadyPages, readyOf } from './ready'
import { giveTurn, takeTurns } from './turns'
import type { Upload } from './uploads'

/** Who asks for a page. Only what the page depends on is found out; so what costs something is asked for late. */
export interface Asking {
  session(): Promise<{ id: number; role: string; name: string } | null>
  device(): Device
  /** Milliseconds since 1970. */
  at: number
  /** From where it is asked: the address of the other end. */
  place: string
  /** As they came. */
  cookies: string | undefined
  /** Whether the other end keeps cookies that are for sealed ways alone. */
  keepsCookies: boolean
}

/** Somebody of whom nothing is known: what files and tests are made for. */
export const ANYBODY: Asking = {
  session: async () => null,
  device: () => 'desktop',
  at: 0,
  place: '',
  cookies: undefined,
  keepsCookies: true,
}

/** Under what a page is kept that says how many things are in the basket. */
const counted = (key: string, count: number): string => (count === 0 ? key : `${key} ${count}`)

/** An address with the parameters that came with the one it stands for. */
const withQuery = (address: string, query: string): string =>
  query === '' ? address : `${address}${address.includes('?') ? '&' : '?'}${query}`

/** Files that came along with a form, by the names of their fields. */
export type Files = Readonly<Record<string, readonly Upload[]>>

/** What a form sends to a page: its values by name, in their order. */
export interface Sent {
  page: Page
  /** The path at which it was asked for: the lost page has none of its own. */
  path: string
  values: Parameters
  /** Files that came along, by the names of their fields. */
  files: Files
  asking: Asking
  /** The page as it is drawn for whoever sends it. */
  scene: Scene
  /** An element that is on the page, by its type and its id. */
  element(type: string, id: string): LayoutElement | null
  /** All elements on the page. */
  elements: readonly LayoutElement[]
  /** The page once more, with what was sent and what is to be said of it. */
  redraw(state: FormState, status: number, more?: Partial<Scene>): Answer
}

/** What visitors are shown of the shop. */
export interface ShopDesk {
  /** How many things cookies say are in the basket. */
  count(cookies: string | undefined): number
  /** Where buyers may be led to pay. */
  readonly leadsTo: readonly string[]
  shopping(
    about: Pick<Scene, 'catalogue' | 'request'> & { asking: Asking; elements: readonly LayoutElement[] },
    scene: Scene,
  ): Promise<Shopping>
}
const NO_SHOP: ShopDesk = {
  count: () => 0,
  leadsTo: [],
  shopping: ({ catalogue }) => Promise.resolve(sampleShopping(catalogue)),
}

/** What is done with what an element's form sends; by the type of the element. */
export type Posts = Readonly<Record<string, (sent: Sent) => Promise<Answer>>>

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

interface Compiled {
  compiled: CompiledDesign<Design>
  faulty: Map<string, Fault>
}

/** Compiles a design for visitors; where all but `failed` was compiled before, only that is tried again and told. */
function compile(design: Design, failed?: readonly string[]): Compiled {
  const faulty = new Map<string, Fault>()
  const fault = (found: Fault, error: unknown) => noteFault(faulty, found, error)
  const compiled = new CompiledDesign<Design>(design, { fault, asNeeded: failed !== undefined })
  for (const id of failed ?? []) compiled.program(id)
  return { compiled, faulty }
}

/**
 * The published site: one released design, compiled and held in memory, over the content. A page is answered by one
 * function of its address, its parameters and who asks; what every visitor gets alike is kept ready as it goes out,
 * and a release or a change of content drops it.
 */
export class Published {
  private compiled = new CompiledDesign<Design>(BARE_DESIGN)
  private faulty = new Map<string, Fault>()
  private rules: CompiledRules
  private readonly policies = new Map<string, string>()
  private readonly known = new Map<Page, Known>()
  /** The number of the release that is shown; 0 before the first. */
  release = 0
  private shows = 0

  constructor(
    private readonly content: Content,
    private readonly posts: Posts = {},
    readonly ready = new ReadyPages(),
    /** Proves that a form was drawn on a page here, at about a moment. */
    private readonly proof: (page: Page, form: string, at: number) => string = () => '',
    /** What visitors have and say in the shop. */
    private readonly desk: ShopDesk = NO_SHOP,
  ) {
    this.rules = this.compileRules()
  }

  private compileRules(design = this.compiled.design): CompiledRules {
    return new CompiledRules(rulesOf(design), this.content.catalogue)
  }

  /** Swaps the design in one step; answers under way finish with the old one. */
  swap(design: Design | null, release = this.release + 1): void {
    this.take(release, compile(design ?? BARE_DESIGN))
    this.refresh()
  }

  private take(release: number, { compiled, faulty }: Compiled): void {
    this.release = release
    this.compiled = compiled
    this.faulty = faulty
  }

  /**
   * Shows a release: it is made ready part by part while visitors see the one before, and then stands at once. Of several
   * that are made ready, the one that was asked for last is shown.
   */
  async show(design: Design | null, release: number): Promise<void> {
    const call = ++this.shows
    const shown = design ?? BARE_DESIGN
    const compiled = compile(shown, await compileAhead(shown, takeTurns()))
    await giveTurn()
    const { catalogue } = this.content
    const rules = this.compileRules(shown)
    await giveTurn()
    if (call !== this.shows) return
    this.take(release, compiled)
    this.refresh('all', catalogue === this.content.catalogue ? rules : undefined)
  }

  /** What of the released design was left out so far because it could not be drawn. */
  get faults(): Fault[] {
    return [...this.faulty.values()]
  }

  /** Takes over a change of content; of what is kept ready goes what may show what changed. */
  refresh(stale: Stale = 'all', rules = this.compileRules()): void {
    this.rules = rules
    this.known.clear()
    // Which layout applies may go by the day, and is known of no page that is kept.
    if (stale !== 'all' && !(stale.has(BY_DAY) && goesByDay(this.compiled.design.frames))) return this.ready.drop(stale)
    this.ready.clear()
    this.policies.clear()
  }

  /** Where an address leads: a page, another address, or nothing, which is the page for what is not found. */
  find({ path, slash }: Pick<AskedAddress, 'path' | 'slash'>): { page: Page } | { redirect: string; status?: number } {
    const { catalogue } = this.content
    if (path === null) return { page: catalogue.notFound }
    const redirect = catalogue.redirectOf(path)
    if (redirect !== undefined) return { redirect, ...(catalogue.ledElsewhere(path) && { status: 301 }) }
    const page = catalogue.pageAt(path)
    if (!page) return { page: catalogue.notFound }
    return slash ? { redirect: path } : { page }
  }

  private knownOf(page: Page): Known {
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

  /** What a page depends on besides its address. */
  depends(page: Page): Depends {
    return this.knownOf(page)
  }

  /**
   * The parameters that a page reads, of those that were given, by name in one order: addresses that differ in
   * others, or in their order, are one.
   */
  private parametersOf(page: Page, given: Parameters): Parameters {
    const names = [...this.knownOf(page).parameters].filter((name) => Object.hasOwn(given, name)).sort()
    return Object.fromEntries(names.map((name) => [name, given[name]!]))
  }

  /**
   * The answer kept ready for an address as browsers ask for it, without parameters; where it says how many things are
   * in the basket, the one for as many as the cookies say.
   */
  readyAt(url: string, cookies?: string): Ready | undefined {
    const count = this.desk.count(cookies)
    if (count === 0) return this.ready.get(url)
    const counting = this.ready.get(counted(url, count))
    if (counting) return counting
    const ready = this.ready.get(url)
    return ready?.answer.depends.needs.has('count') ? undefined : ready
  }

  /** Where the site is published. */
  get origin(): string {
    return this.content.catalogue.site.settings.origin
  }

  /** What may be meant while somebody types. */
  async offers(words: string): Promise<Answer> {
    const text = suggestionsOf(words, await this.content.suggest(words), this.content.catalogue)
    const headers = {
      'content-type': 'application/x-suggestions+json; charset=utf-8',
      'cache-control': 'public, max-age=60',
    }
    return answerOf(200, headers, Buffer.from(text))
  }

  /** A file for programs beside the pages: a feed, a calendar, the list of all pages. Null where there is none. */
  async file(path: string): Promise<Ready | null> {
    const { catalogue, formats } = this.content
    const kept = this.ready.get(encodeURI(path))
    if (kept && isMachineAddress(catalogue, path)) return kept
    const generation = this.rules
    const { made, seen } = catalogue.watch(() => machineFile(catalogue, formats, path))
    if (!made) return null
    const headers = { 'content-type': made.type, ...cacheHeaders(NOTHING) }
    const ready = await readyOf(answerOf(200, headers, Buffer.from(made.text), { ...NOTHING, seen }))
    if (this.rules === generation) this.ready.keep(encodeURI(path), ready)
    return ready
  }

  /** What is drawn where a page is shared, by the path of its picture, and the path at which it stands now; null for other paths. */
  async card(path: string): Promise<{ card: SharedCard; address: string } | null> {
    const asked = cardAt(path)
    const page = asked && this.content.catalogue.page(asked.key)
    if (!page?.address) return null
    const scene = await this.sceneFor(page, page.address, {}, ANYBODY)
    const card = this.compiled.cardFor(scene, this.outcomeOf(page, ANY_REQUEST))
    return { card, address: cardAddress(page, card) }
  }

  /** Answers a page, ready to be sent: from what is kept, or drawn, and kept where everybody gets it alike. */
  async ask(address: AskedAddress, asking: Asking): Promise<Ready> {
    const found = this.find(address)
    if ('redirect' in found)
      return readyOf(redirectTo(withQuery(encodeURI(found.redirect), address.query), found.status))
    const { page } = found
    const parameters = this.parametersOf(page, readParameters(address.query))
    const count = this.knownOf(page).needs.has('count') ? this.desk.count(asking.cookies) : 0
    const plain = this.keyOf(page, address, parameters)
    const key = plain && counted(plain, count)
    const kept = key === null ? undefined : this.ready.get(key)
    if (kept) return kept
    const generation = this.rules
    const ready = await readyOf(await this.answered(page, address, parameters, asking))
    // What was drawn before a change that came meanwhile is sent, and not kept.
    // Addresses that ask a list in other ways, or for what it does not have, are without number.
    if (key !== null && this.rules === generation && ready.answer.status === 200) this.ready.keep(key, ready)
    return ready
  }

  /** Answers a page: status, headers, body, and what they depended on. */
  async answer(address: AskedAddress, asking: Asking): Promise<Answer> {
    return (await this.ask(address, asking)).answer
  }

  /** Under which address an answer may be kept for everybody; null where it may not. */
  private keyOf(page: Page, { path }: AskedAddress, parameters: Parameters): string | null {
    const { needs } = this.knownOf(page)
    const shared = !(['device', 'session', 'date', 'basket'] as const).some((need) => needs.has(need))
    // Addresses that are no page are without number.
    if (!shared || path === null || page.address !== path) return null
    const query = writeParameters(parameters)
    return encodeURI(path) + (query && `?${query}`)
  }

  /**
   * A page, drawn; or where its list is asked in another way than the page itself would, the address at which it is asked
   * so; or, where its list has no such screen, what is said of an address that is no page.
   */
  private async answered(
    page: Page,
    { path, query }: AskedAddress,
    parameters: Parameters,
    asking: Asking,
  ): Promise<Answer> {
    const bare = await this.sceneFor(page, path, parameters, asking)
    const outcome = this.outcomeOf(page, bare.request)
    const scene = await this.withShopping(bare, outcome, asking)
    const lists = this.compiled.listsShown(page, outcome)
    if (lists.length === 0) return this.draw(scene, outcome)
    const given = readParameters(query)
    const well = wellAsked(lists, scene, given)
    if (well) return redirectTo(withQuery(encodeURI(page.address || '/'), writeParameters(well)), 302)
    if (!isBeyond(lists, scene)) return this.draw(scene, outcome)
    const { notFound } = this.content.catalogue
    const lost = await this.sceneFor(notFound, path, this.parametersOf(notFound, given), asking)
    const shown = this.outcomeOf(notFound, lost.request)
    return this.draw(await this.withShopping(lost, shown, asking), shown)
  }

  /** What the regions of a page come to for whoever asks. */
  private outcomeOf(page: Page, request: Request): ReturnType<typeof resolve> {
    return this.compiled.standing(page, resolve(this.rules, page, request), this.content.catalogue)
  }

  /** A scene with what the visitor has in the shop, on pages that show it. */
  private async withShopping(scene: Scene, outcome: ReturnType<typeof resolve>, asking: Asking): Promise<Scene> {
    const { page, catalogue, request } = scene
    if (!this.knownOf(page).needs.has('basket')) return scene
    const elements = this.compiled.elementsOn(page, outcome)
    return { ...scene, shopping: await this.desk.shopping({ catalogue, request, asking, elements }, scene) }
  }

  private async sceneFor(page: Page, path: string | null, parameters: Parameters, asking: Asking): Promise<Scene> {
    const { needs, searches, guesses } = this.knownOf(page)
    const visitor = needs.has('session') ? await asking.session() : null
    const role = visitor?.role ?? 'visitor'
    const request: Request = {
      role,
      signedIn: visitor !== null,
      device: needs.has('device') ? asking.device() : 'desktop',
      parameters,
      at: asking.at,
    }
    const { catalogue, formats } = this.content
    const query = searches ? (parameters.q?.[0] ?? '').slice(0, 200) : ''
    const search = query ? await this.content.search(query) : FOUND_NOTHING
    const { cards, menus } = this.compiled
    return sceneOf(catalogue, formats, page, {
      visitor: { role, name: visitor?.name ?? '' },
      request,
      query,
      found: search.entries,
      near: search.near,
      likely: guesses && path ? await this.content.likelyAt(path) : search.likely,
      cards,
      menus,
      lists: this.listsOf,
      count: needs.has('count') ? this.desk.count(asking.cookies) : 0,
      proof: (form) => this.proof(page, form, asking.at),
    })
  }

  /** The lists on another page than the one that is drawn: as everybody meets it. */
  private readonly listsOf = (page: Page): readonly ListPlan[] =>
    this.compiled.listsShown(page, this.outcomeOf(page, ANY_REQUEST))

  private draw(scene: Scene, outcome: ReturnType<typeof resolve>): Answer {
    const { page } = scene
    const { made: drawn, seen } = this.content.catalogue.watch(() => this.compiled.draw(scene, outcome))
    const depends = this.depends(page)
    const headers = {
      'content-type': 'text/html; charset=utf-8',
      'content-language': this.content.catalogue.site.settings.locale,
      'content-security-policy': this.policy(drawn),
      ...cacheHeaders(depends),
    }
    seen.add(`page:${page.key}`)
    // What words find is known by nothing that is read.
    if (scene.query || scene.likely.length > 0) seen.add('anything')
    const status = page.kind === 'not-found' ? 404 : 200
    const answer = answerOf(status, headers, Buffer.from(drawn.html), { ...depends, seen })
    const nothing = page.kind === 'search' && scene.query !== '' && scene.found.length === 0
    return nothing ? { ...answer, foundNothingFor: scene.query } : answer
  }

  private policy({ css, scripted, shop }: DrawnPage): string {
    const key = `${scripted} ${shop} ${css}`
    let policy = this.policies.get(key)
    if (!policy) this.policies.set(key, (policy = policyFor(css, scripted, shop ? this.desk.leadsTo : [])))
    return policy
  }

  /** Whether a page takes what a form sends: some element on it does. */
  takesPost(address: AskedAddress): boolean {
    const found = this.find(address)
    return 'page' in found && this.knownOf(found.page).posts.length > 0
  }

  /** Whether some form on a page takes files. */
  takesFiles(address: AskedAddress): boolean {
    const found = this.find(address)
    if (!('page' in found)) return false
    return [...layoutsOn(this.rules, found.page)].some((id) => this.compiled.some(id, isForFiles))
  }

  /** Hands what a form sent to the element that asked for it, named by `form`. Nothing of it is ever kept ready. */
  async post(address: AskedAddress, values: Parameters, asking: Asking, files: Files = {}): Promise<Answer> {
    const found = this.find(address)
    const page = 'page' in found ? found.page : null
    const type = values.form?.[0] ?? ''
    if (!page || !this.knownOf(page).posts.includes(type) || !Object.hasOwn(this.posts, type))
      return sentenceOf(
        422,
        'This page does not know the form that was sent. Go back, reload the page and send it again.',
      )
    // As it was drawn for whoever sends it; what was sent before is not thanked for again.
    const { [SENT]: _, ...parameters } = this.parametersOf(page, readParameters(address.query))
    const bare = await this.sceneFor(page, address.path, parameters, asking)
    const outcome = this.outcomeOf(page, bare.request)
    const scene = await this.withShopping(bare, outcome, asking)
    return this.posts[type]!({
      page,
      path: address.path ?? '/',
      values,
      files,
      asking,
      scene,
      element: (of, id) => this.compiled.elementOn(page, outcome, of, id),
      elements: this.compiled.elementsOn(page, outcome),
      redraw: (form, status, more) => ({
        ...withHeaders(this.draw({ ...scene, form, ...more }, outcome), { 'cache-control': 'no-store' }),
        status,
      }),
    })
  }
}
