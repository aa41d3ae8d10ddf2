import type { Request } from '../../core/conditions'
import { BARE_DESIGN, type Design } from '../../core/design'
import { SENT } from '../../core/elements'
import { ANY_REQUEST, type Scene, anchorAhead, sceneOf } from '../../core/drawing'
import { type DrawnPage, type Fault, compileAhead, isBeyond, wellAsked } from '../../core/render'
import { type AskedAddress, type Parameters, readParameters, writeParameters } from '../../core/addresses'
import { BY_DAY } from '../../core/time'
import type { Id, Page } from '../../core/model'
import {
  type SharedCard,
  cardAddress,
  cardAt,
  iconAddress,
  iconAt,
  iconPicture,
  isMachineAddress,
  machineFile,
  suggestionsOf,
} from '../../core/machines'
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
import { ANYBODY, type Asking, type Files, NO_SHOP, type Posts, type ShopDesk } from './asked'
import type { Content, Stale } from './content'
import { effectsOf } from './effects'
import { FOUND_NOTHING } from './search'
import { type Ready, ReadyPages, readyOf } from './ready'
import { type Outcome, ShownDesign, compile } from './shown-design'
import { giveTurn, takeTurns } from './turns'

/** Under what a page is kept that says how many things are in the basket. */
const counted = (key: string, count: number): string => (count === 0 ? key : `${key} ${count}`)

/** Under which address an answer may be kept for everybody; null where it may not. */
function keyOf(page: Page, { path }: AskedAddress, parameters: Parameters, { needs }: Depends): string | null {
  const shared = effectsOf(needs).every((effect) => effect.kept)
  // Addresses that are no page are without number.
  if (!shared || path === null || page.address !== path) return null
  const query = writeParameters(parameters)
  return encodeURI(path) + (query && `?${query}`)
}

/** An address with the parameters that came with the one it stands for. */
const withQuery = (address: string, query: string): string =>
  query === '' ? address : `${address}${address.includes('?') ? '&' : '?'}${query}`

/**
 * The published site: one released design, compiled and held in memory, over the content. A page is answered by one
 * function of its address, its parameters and who asks; what every visitor gets alike is kept ready as it goes out,
 * and a release or a change of content drops it.
 */
export class Published {
  private shown: ShownDesign
  private readonly policies = new Map<string, string>()
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
    this.shown = new ShownDesign(compile(BARE_DESIGN), content.catalogue, posts)
  }

  /** Swaps the design in one step; answers under way finish with the old one. */
  swap(design: Design | null, release = this.release + 1): void {
    this.release = release
    this.put(new ShownDesign(compile(design ?? BARE_DESIGN), this.content.catalogue, this.posts))
  }

  /**
   * Shows a release: it is made ready part by part while visitors see the one before, and then stands at once. Of several
   * that are made ready, the one that was asked for last is shown.
   */
  async show(design: Design | null, release: number): Promise<void> {
    const call = ++this.shows
    const wanted = design ?? BARE_DESIGN
    const compiled = compile(wanted, await compileAhead(wanted, takeTurns()))
    await giveTurn()
    const shown = new ShownDesign(compiled, this.content.catalogue, this.posts)
    await giveTurn()
    if (call !== this.shows) return
    this.release = release
    const { catalogue } = this.content
    this.put(shown.catalogue === catalogue ? shown : shown.over(catalogue))
  }

  /** What of the released design was left out so far because it could not be drawn. */
  get faults(): Fault[] {
    return this.shown.faults
  }

  /** Puts what is shown in the place of what was, with nothing kept ready of it. */
  private put(shown: ShownDesign): void {
    this.shown = shown
    this.ready.clear()
    this.policies.clear()
  }

  /** Takes over a change of content; of what is kept ready goes what may show what changed. */
  refresh(stale: Stale = 'all'): void {
    const shown = this.shown.over(this.content.catalogue)
    // Which layout applies may go by the day, and is known of no page that is kept.
    if (stale === 'all' || (stale.has(BY_DAY) && shown.byDay)) return this.put(shown)
    this.shown = shown
    this.ready.drop(stale)
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

  /** The mark of the site that a path asks for: which picture, in which size, and where it stands now; null for other paths. */
  icon(path: string): { picture: Id; size: number; address: string } | null {
    const { catalogue } = this.content
    const size = iconAt(path)
    const picture = iconPicture(catalogue)
    const address = size && iconAddress(catalogue, size)
    return size && picture && address ? { picture: picture.id, size, address } : null
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
    const { shown } = this
    const { made, seen } = catalogue.watch(() => machineFile(catalogue, formats, path))
    if (!made) return null
    const headers = { 'content-type': made.type, ...cacheHeaders(NOTHING) }
    const ready = await readyOf(answerOf(200, headers, Buffer.from(made.text), { ...NOTHING, seen }))
    if (this.shown === shown) this.ready.keep(encodeURI(path), ready)
    return ready
  }

  /** What is drawn where a page is shared, by the path of its picture, and the path at which it stands now; null for other paths. */
  async card(path: string): Promise<{ card: SharedCard; address: string } | null> {
    const asked = cardAt(path)
    const page = asked && this.content.catalogue.page(asked.key)
    if (!page?.address) return null
    const { shown } = this
    const scene = await this.sceneFor(shown, page, page.address, {}, ANYBODY)
    const card = shown.compiled.cardFor(scene, shown.outcomeOf(page, ANY_REQUEST))
    return { card, address: cardAddress(page, card) }
  }

  /** Answers a page, ready to be sent: from what is kept, or drawn, and kept where everybody gets it alike. */
  async ask(address: AskedAddress, asking: Asking): Promise<Ready> {
    const found = this.find(address)
    if ('redirect' in found) {
      const led = redirectTo(withQuery(encodeURI(found.redirect), address.query), found.status)
      // A page may stand at this address again: browsers ask before they go by what they were told.
      return readyOf(withHeaders(led, { 'cache-control': 'no-cache' }))
    }
    const { page } = found
    const { shown } = this
    const parameters = shown.parametersOf(page, readParameters(address.query))
    const count = shown.knownOf(page).needs.has('count') ? this.desk.count(asking.cookies) : 0
    const plain = keyOf(page, address, parameters, shown.knownOf(page))
    const key = plain && counted(plain, count)
    const kept = key === null ? undefined : this.ready.get(key)
    if (kept) return kept
    const ready = await readyOf(await this.answered(shown, page, address, parameters, asking))
    // What was drawn before a change that came meanwhile is sent, and not kept.
    // Addresses that ask a list in other ways, or for what it does not have, are without number.
    if (key !== null && this.shown === shown && ready.answer.status === 200) this.ready.keep(key, ready)
    return ready
  }

  /** Answers a page: status, headers, body, and what they depended on. */
  async answer(address: AskedAddress, asking: Asking): Promise<Answer> {
    return (await this.ask(address, asking)).answer
  }

  /**
   * A page, drawn; or where its list is asked in another way than the page itself would, the address at which it is asked
   * so; or, where its list has no such screen, what is said of an address that is no page.
   */
  private async answered(
    shown: ShownDesign,
    page: Page,
    { path, query }: AskedAddress,
    parameters: Parameters,
    asking: Asking,
  ): Promise<Answer> {
    const bare = await this.sceneFor(shown, page, path, parameters, asking)
    const ahead = bare.subject.kind === 'entry' && anchorAhead(bare.subject.entry.content, takeTurns())
    if (ahead) await ahead
    const outcome = shown.outcomeOf(page, bare.request)
    const scene = await this.withShopping(shown, bare, outcome, asking)
    const lists = shown.compiled.listsShown(page, outcome)
    if (lists.length === 0) return this.draw(shown, scene, outcome)
    const given = readParameters(query)
    const well = wellAsked(lists, scene, given)
    if (well) return redirectTo(withQuery(encodeURI(page.address || '/'), writeParameters(well)), 302)
    if (!isBeyond(lists, scene)) return this.draw(shown, scene, outcome)
    const { notFound } = this.content.catalogue
    const lost = await this.sceneFor(shown, notFound, path, shown.parametersOf(notFound, given), asking)
    const nothing = shown.outcomeOf(notFound, lost.request)
    return this.draw(shown, await this.withShopping(shown, lost, nothing, asking), nothing)
  }

  /** A scene with what the visitor has in the shop, on pages that show it. */
  private async withShopping(shown: ShownDesign, scene: Scene, outcome: Outcome, asking: Asking): Promise<Scene> {
    const { page, catalogue, request } = scene
    if (!shown.knownOf(page).needs.has('basket')) return scene
    const elements = shown.compiled.elementsOn(page, outcome)
    return { ...scene, shopping: await this.desk.shopping({ catalogue, request, asking, elements }, scene) }
  }

  private async sceneFor(
    shown: ShownDesign,
    page: Page,
    path: string | null,
    parameters: Parameters,
    asking: Asking,
  ): Promise<Scene> {
    const { needs, searches, guesses } = shown.knownOf(page)
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
    const { cards, menus } = shown.compiled
    return sceneOf(catalogue, formats, page, {
      visitor: { role, name: visitor?.name ?? '' },
      request,
      query,
      found: search.entries,
      near: search.near,
      likely: guesses && path ? await this.content.likelyAt(path) : search.likely,
      cards,
      menus,
      lists: shown.listsOf,
      count: needs.has('count') ? this.desk.count(asking.cookies) : 0,
      proof: (form) => this.proof(page, form, asking.at),
    })
  }

  private draw(shown: ShownDesign, scene: Scene, outcome: Outcome): Answer {
    const { page } = scene
    const { made: drawn, seen } = this.content.catalogue.watch(() => shown.compiled.draw(scene, outcome))
    const depends = shown.knownOf(page)
    const headers = {
      'content-type': 'text/html; charset=utf-8',
      'content-language': this.content.catalogue.site.settings.locale,
      'content-security-policy': this.policy(drawn),
      ...cacheHeaders(depends),
      // What the provider has not said yet is asked for again without the visitor's doing.
      ...(scene.shopping?.order?.isBeingPaid && { refresh: '4' }),
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
    return 'page' in found && this.shown.knownOf(found.page).posts.length > 0
  }

  /** Which fields of which forms on a page take files; null where none does. */
  fileFields(address: AskedAddress): { page: Page; has(form: string, field: string): boolean } | null {
    const found = this.find(address)
    const { shown } = this
    if (!('page' in found) || !shown.takesFiles(found.page)) return null
    return { page: found.page, has: (form, field) => shown.takesFile(found.page, form, field) }
  }

  /** Hands what a form sent to the element that asked for it, named by `form`. Nothing of it is ever kept ready. */
  async post(address: AskedAddress, values: Parameters, asking: Asking, files: Files = {}): Promise<Answer> {
    const found = this.find(address)
    const page = 'page' in found ? found.page : null
    const { shown } = this
    const type = values.form?.[0] ?? ''
    if (!page || !shown.knownOf(page).posts.includes(type) || !Object.hasOwn(this.posts, type))
      return sentenceOf(
        422,
        'This page does not know the form that was sent. Go back, reload the page and send it again.',
      )
    // As it was drawn for whoever sends it; what was sent before is not thanked for again.
    const { [SENT]: _, ...parameters } = shown.parametersOf(page, readParameters(address.query))
    const bare = await this.sceneFor(shown, page, address.path, parameters, asking)
    const outcome = shown.outcomeOf(page, bare.request)
    const scene = await this.withShopping(shown, bare, outcome, asking)
    return this.posts[type]!({
      page,
      path: address.path ?? '/',
      values,
      files,
      asking,
      scene,
      element: (of, id) => shown.compiled.elementOn(page, outcome, of, id),
      elements: shown.compiled.elementsOn(page, outcome),
      redraw: (form, status, more) => ({
        ...withHeaders(this.draw(shown, { ...scene, form, ...more }, outcome), { 'cache-control': 'no-store' }),
        status,
      }),
    })
  }
}
