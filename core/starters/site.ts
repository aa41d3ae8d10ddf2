import { elementSpec } from '../elements'
import { type Parcel, makeParcel } from '../formats'
import type { Design, DisplayRule, RegionSetting } from '../design'
import type { Target } from '../targets'
import { newFrame } from '../rules'
import type { Catalogue } from '../catalogue'
import type { Id, PageType } from '../model'
import { type Layout, type Region, type TreeNode, elementsOf } from '../tree'
import { fitted, matchesFor } from './fit'
import { STARTERS } from './list'
import type { SitePart, SiteStarter, Starter } from './types'

/** A whole site made of starters, for the page types, menus and taxonomies that there are. */

const use = (layout: Id): RegionSetting => ({ kind: 'use', layout })
const EMPTY: RegionSetting = { kind: 'empty' }

const starterOf = (id: Id): Starter => {
  const found = STARTERS.find((s) => s.id === id)
  if (!found) throw new Error(`there is no starter ${id}`)
  return found
}

/** The same with a card for the lists of pages in it that are drawn as grids and rows. */
function withCard(layout: Layout, card: Id | undefined): Layout {
  if (!card) return layout
  const given = <N extends TreeNode>(node: N): N => {
    const isList = node.kind === 'element' && node.type === 'entry-list' && node.props.arrange !== 'table'
    const own = isList && node.props.source === 'page' ? { ...node, props: { ...node.props, card } } : node
    return own.children ? { ...own, children: (own.children as TreeNode[]).map(given) } : own
  }
  return { ...layout, children: layout.children.map(given) }
}

const saysTitle = (layout: Layout): boolean => elementsOf(layout).some((e) => elementSpec(e.type)?.titles?.(e))

class Making {
  readonly layouts: Layout[] = []
  readonly frames: DisplayRule[] = []
  private readonly made = new Map<string, Layout>()

  constructor(
    private readonly site: SiteStarter,
    private readonly catalogue: Catalogue,
    private readonly newId: () => Id,
  ) {}

  /** The layout of a part, for a page type where it goes by one; made once for all that it can be the same for. */
  part(part: SitePart | 'card', type: PageType | null = null): Layout {
    const id = part === 'card' ? this.site.card! : this.site.parts[part]
    const starter = starterOf(id)
    const byType = type !== null && starter.wants.some((w) => w.kind === 'field')
    const key = byType ? `${id} ${type.id}` : id
    const known = this.made.get(key)
    if (known) return known
    const matches = matchesFor(starter.wants, this.catalogue, type)
    const name = byType ? `${type.name} page` : starter.name
    const as = { id: this.newId(), name }
    const fit = fitted(starter.layout, as, matches, this.site.house, this.newId)
    const about = { about: starter.about, ...fit }
    const layout = part === 'card' ? about : withCard(about, this.site.card && this.part('card').id)
    this.made.set(key, layout)
    this.layouts.push(layout)
    return layout
  }

  frame(covers: Target[], says: Partial<Record<Region, RegionSetting>>): void {
    const frame = newFrame(this.newId(), covers, this.frames.length + 1)
    this.frames.push({ ...frame, regions: { ...frame.regions, ...says } })
  }

  /** A frame with a body; what says its title itself needs no intro. */
  bodyFor(covers: Target[], body: Layout): void {
    this.frame(covers, { body: use(body.id), ...(saysTitle(body) && { intro: EMPTY }) })
  }

  make(): void {
    const { types, taxonomies } = this.catalogue.site
    this.bodyFor([{ kind: 'page', page: 'not-found' }], this.part('lost'))
    this.bodyFor([{ kind: 'page', page: 'search' }], this.part('search'))
    for (const page of ['sign-in', 'member', 'basket', 'checkout', 'receipt', 'order-status'] as const)
      if (this.catalogue.page(page)) this.bodyFor([{ kind: 'page', page }], this.part(page))
    const byBody = new Map<Layout, Target[]>()
    for (const type of types) {
      const body = this.part(type.dated ? 'dated' : 'entry', type)
      byBody.set(body, [...(byBody.get(body) ?? []), { kind: 'type', type: type.id }])
    }
    for (const [body, covers] of byBody) this.bodyFor(covers, body)
    const terms = taxonomies.filter((t) => t.pages).map((t): Target => ({ kind: 'term-pages', taxonomy: t.id }))
    if (terms.length > 0) this.bodyFor(terms, this.part('term'))
    this.bodyFor([{ kind: 'person-pages' }], this.part('person'))
    this.bodyFor([{ kind: 'kind', pages: 'archives' }], this.part('list'))
    const [header, intro, footer] = (['header', 'intro', 'footer'] as const).map((part) => use(this.part(part).id))
    this.frame([{ kind: 'every' }], { header: header!, intro: intro!, footer: footer! })
  }
}

/** A whole site as a parcel for the site that there is: what it brings in is told and confirmed as of any parcel. */
export function siteParcel(site: SiteStarter, catalogue: Catalogue, newId: () => Id, made: string): Parcel {
  const making = new Making(site, catalogue, newId)
  making.make()
  const design: Design = { format: 1, layouts: making.layouts, frames: making.frames, house: site.house }
  return makeParcel(design, site.name, made)
}
