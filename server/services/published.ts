import { createHash } from 'node:crypto'
import { gzipSync } from 'node:zlib'
import { type Design, type Outcome, type Request, resolveInTurn, rulesOf } from '../../core/frames'
import { CompiledDesign, type SceneOptions, sceneOf } from '../../core/render'
import type { Page } from '../../core/site'
import { PLAIN_HOUSE } from '../../core/styles'
import type { Content } from './content'
import { searchEntries } from './search'

/** An answer as it goes out: status, headers, and the body plain and compressed. */
export interface Ready {
  status: number
  headers: Record<string, string>
  etag: string
  body: Buffer
  gzip: Buffer
}

const BARE: Design = { format: 1, layouts: [], frames: [], house: PLAIN_HOUSE }

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

/**
 * The published site: one released design, compiled and held in memory, over the content. Pages that every
 * visitor gets alike are kept ready as they go out; a release or a change of content drops them all.
 */
export class Published {
  private compiled = new CompiledDesign(BARE)
  private readonly ready = new Map<string, Ready>()
  private readonly policies = new Map<string, string>()

  constructor(private readonly content: Content) {}

  /** Swaps the design in one step; answers under way finish with the old one. */
  swap(design: Design | null): void {
    this.compiled = new CompiledDesign(design ?? BARE)
    this.forget()
  }

  forget(): void {
    this.ready.clear()
    this.policies.clear()
  }

  /** The page kept ready for an address without parameters. */
  readyAt(address: string): Ready | undefined {
    return this.ready.get(address)
  }

  /** Where an address leads: a page, another address, or nothing. */
  find(address: string): { page: Page } | { redirect: string } {
    const { catalogue } = this.content
    const page = catalogue.pageAt(address)
    if (page) return { page }
    const trimmed = address.replace(/\/+$/, '') || '/'
    const redirect =
      catalogue.redirectOf(trimmed) ?? (trimmed !== address && catalogue.pageAt(trimmed) ? trimmed : undefined)
    return redirect === undefined ? { page: catalogue.notFound } : { redirect }
  }

  /** Draws a page for a request. `address` is where it was asked for; a shared page is kept ready there. */
  draw(page: Page, address: string, request: Request): Ready {
    const { catalogue, formats } = this.content
    const { compiled } = this
    const outcome = resolveInTurn(rulesOf(compiled.design), catalogue, page, request)
    const drawn = compiled.draw(sceneOf(catalogue, formats, page, this.optionsFor(page, request)), outcome)
    const shared = !drawn.personal && this.isShared(outcome)
    const headers = {
      'content-type': 'text/html; charset=utf-8',
      'content-security-policy': this.policy(drawn.css),
      'cache-control': shared ? 'public, max-age=0, must-revalidate' : 'private, no-store',
      vary: 'accept-encoding',
    }
    const ready = readyOf(page.kind === 'not-found' ? 404 : 200, headers, Buffer.from(drawn.html))
    if (shared && page.address === address && Object.keys(request.parameters).length === 0)
      this.ready.set(address, ready)
    return ready
  }

  private optionsFor(page: Page, { role, parameters }: Request): SceneOptions {
    const query = page.kind === 'search' ? (parameters.q ?? '').slice(0, 200) : ''
    const found = query ? searchEntries(this.content.catalogue, query) : []
    return { visitor: { role, name: '' }, query, found, cards: this.compiled.cards }
  }

  /** True when no circumstance but an address parameter can make another visitor's page differ. */
  private isShared(outcome: Outcome): boolean {
    const { frames } = this.compiled.design
    const personal = frames.some((f) => f.on && f.onlyWhen.some((c) => c.kind !== 'parameter'))
    return !personal && outcome.candidates.every((c) => c.frame.onlyWhen.every((o) => o.kind === 'parameter'))
  }

  private policy(css: string): string {
    let policy = this.policies.get(css)
    if (!policy) this.policies.set(css, (policy = policyFor(css)))
    return policy
  }
}
