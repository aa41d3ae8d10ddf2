import { createHash } from 'node:crypto'
import { gzipSync } from 'node:zlib'
import {
  CompiledRules,
  type Design,
  type Need,
  type Request,
  dependsOn,
  layoutsOn,
  resolve,
  rulesOf,
} from '../../core/frames'
import { CompiledDesign, type Fault } from '../../core/render'
import { type SceneOptions, sceneOf } from '../../core/drawing'
import type { AskedAddress, Page } from '../../core/site'
import { PLAIN_HOUSE } from '../../core/styles'
import type { Content } from './content'
import { DEVICE_HEADERS, DEVICE_HINTS } from './device'
import { log } from './log'
import { searchEntries } from './search'

/** An answer as it goes out: status, headers, and the body plain and compressed. */
export interface Ready {
  status: number
  headers: Record<string, string>
  etag: string
  body: Buffer
  gzip: Buffer
}

/** What must be known about whoever asks before a page can be drawn. */
export interface Needs {
  device: boolean
  /** Who is signed in: for a circumstance, or for a field of the visitor. */
  session: boolean
  date: boolean
}

export const BARE_DESIGN: Design = { format: 1, layouts: [], frames: [], house: PLAIN_HOUSE }

/** Headers of every answer of the published site. Pages carry no script, and none may run. */
export const SITE_HEADERS: Record<string, string> = {
  'x-content-type-options': 'nosniff',
  'referrer-policy': 'strict-origin-when-cross-origin',
  'cross-origin-opener-policy': 'same-origin',
  'cross-origin-resource-policy': 'same-origin',
  'permissions-policy': 'camera=(), microphone=(), geolocation=()',
}

const hash = (text: string | Buffer): string => createHash('sha256').update(text).digest('base64')

function policyFor(css: string): string {
  return (
    `default-src 'none'; img-src 'self' data:; font-src 'self'; style-src 'sha256-${hash(css)}'; ` +
    "form-action 'self'; base-uri 'none'; frame-ancestors 'self'"
  )
}

export function readyOf(status: number, headers: Record<string, string>, body: Buffer): Ready {
  return {
    status,
    headers: { ...SITE_HEADERS, ...headers },
    etag: `W/"${hash(body).slice(0, 27)}"`,
    body,
    gzip: gzipSync(body),
  }
}

function needsOf(needs: ReadonlySet<Need>, readsVisitor: boolean): Needs {
  return { device: needs.has('device'), session: readsVisitor || needs.has('session'), date: needs.has('date') }
}

/** So many different faults are kept for the checks; the log has all of them. */
const MOST_FAULTS = 100

/**
 * What caches may do with an answer. Every copy asks again before it is used, so a change of the date is seen;
 * what depends on who is signed in is never shared.
 */
function cacheHeaders({ device, session }: Needs): Record<string, string> {
  const vary = ['accept-encoding', ...(device ? [DEVICE_HEADERS] : []), ...(session ? ['cookie'] : [])]
  return {
    'cache-control': session ? 'private, no-cache' : 'public, max-age=0, must-revalidate',
    vary: vary.join(', '),
    ...(device && { 'accept-ch': DEVICE_HINTS }),
  }
}

/**
 * The published site: one released design, compiled and held in memory, over the content. Pages that every
 * visitor gets alike are kept ready as they go out; a release or a change of content drops them all.
 */
export class Published {
  private compiled = new CompiledDesign<Design>(BARE_DESIGN)
  private readonly faulty = new Map<string, Fault>()
  private rules: CompiledRules
  private readonly ready = new Map<string, Ready>()
  private readonly policies = new Map<string, string>()
  private readonly needed = new Map<Page, Needs>()

  constructor(private readonly content: Content) {
    this.rules = this.compileRules()
  }

  private compileRules(): CompiledRules {
    return new CompiledRules(rulesOf(this.compiled.design), this.content.catalogue)
  }

  /** Swaps the design in one step; answers under way finish with the old one. */
  swap(design: Design | null): void {
    this.faulty.clear()
    this.compiled = new CompiledDesign<Design>(design ?? BARE_DESIGN, {
      fault: (fault, error) => this.noteFault(fault, error),
    })
    this.refresh()
  }

  /** What of the released design was left out so far because it could not be drawn. */
  get faults(): Fault[] {
    return [...this.faulty.values()]
  }

  private noteFault(fault: Fault, error: unknown): void {
    const key = `${fault.layout} ${fault.node} ${fault.why}`
    if (this.faulty.has(key)) return
    if (this.faulty.size < MOST_FAULTS) this.faulty.set(key, fault)
    log('error', 'cannot-be-drawn', { ...fault, error: String((error as Error)?.stack ?? error) })
  }

  /** Takes over a change of content. */
  refresh(): void {
    this.rules = this.compileRules()
    this.ready.clear()
    this.policies.clear()
    this.needed.clear()
  }

  /** The page kept ready for an address as browsers ask for it, without parameters. */
  readyAt(address: string): Ready | undefined {
    return this.ready.get(address)
  }

  /** Where an address leads: a page, another address, or nothing, which is the page for what is not found. */
  find({ path, slash }: Pick<AskedAddress, 'path' | 'slash'>): { page: Page } | { redirect: string } {
    const { catalogue } = this.content
    if (path === null) return { page: catalogue.notFound }
    const redirect = catalogue.redirectOf(path)
    if (redirect !== undefined) return { redirect }
    const page = catalogue.pageAt(path)
    if (!page) return { page: catalogue.notFound }
    return slash ? { redirect: path } : { page }
  }

  /** What a page depends on besides its address. */
  needs(page: Page): Needs {
    let needs = this.needed.get(page)
    if (!needs) {
      const readsVisitor = [...layoutsOn(this.rules, page)].some((l) => this.compiled.isPersonal(l))
      this.needed.set(page, (needs = needsOf(dependsOn(this.rules, page).needs, readsVisitor)))
    }
    return needs
  }

  /** Draws a page for a request. `address` is where it was asked for; a shared page is kept ready there. */
  draw(page: Page, address: string | null, request: Request, visitorName = ''): Ready {
    const { catalogue, formats } = this.content
    const outcome = resolve(this.rules, page, request)
    const drawn = this.compiled.draw(
      sceneOf(catalogue, formats, page, this.optionsFor(page, request, visitorName)),
      outcome,
    )
    const needs = this.needs(page)
    const headers = {
      'content-type': 'text/html; charset=utf-8',
      'content-security-policy': this.policy(drawn.css),
      ...cacheHeaders(needs),
    }
    const ready = readyOf(page.kind === 'not-found' ? 404 : 200, headers, Buffer.from(drawn.html))
    const shared = !needs.device && !needs.session && !needs.date && Object.keys(request.parameters).length === 0
    if (shared && page.address === address) this.ready.set(encodeURI(address), ready)
    return ready
  }

  private optionsFor(page: Page, { role, parameters }: Request, name: string): SceneOptions {
    const query = page.kind === 'search' ? (parameters.q?.[0] ?? '').slice(0, 200) : ''
    const found = query ? searchEntries(this.content.catalogue, query) : []
    return { visitor: { role, name }, query, found, cards: this.compiled.cards }
  }

  private policy(css: string): string {
    let policy = this.policies.get(css)
    if (!policy) this.policies.set(css, (policy = policyFor(css)))
    return policy
  }
}
