import { nanoid } from 'nanoid'
import { type Match, type Starter, type StarterUse, STARTERS, fitted, matchesFor } from '#core/starters'
import type { Catalogue } from '#core/catalogue'
import type { Page, PageType } from '#core/model'
import type { Layout } from '#core/tree'
import { useDesign } from '~/stores/design'
import { useMap } from '~/stores/map'
import { useSite } from '~/stores/site'

const newId = () => nanoid(12)

/** What of a starter has to do with fields: it is for entries of a page type. */
export const goesByType = ({ region, use, wants }: Starter): boolean =>
  region === 'card' || use === 'entry' || wants.some((w) => w.kind === 'field')

const PAGE_OF: Record<Exclude<StarterUse, 'entry'>, (page: Page) => boolean> = {
  list: (p) => p.kind === 'archive',
  term: (p) => p.kind === 'term',
  person: (p) => p.kind === 'person',
  search: (p) => p.kind === 'search',
  lost: (p) => p.kind === 'not-found',
  'sign-in': (p) => p.kind === 'sign-in',
  member: (p) => p.kind === 'member',
  basket: (p) => p.kind === 'basket',
  checkout: (p) => p.kind === 'checkout',
  receipt: (p) => p.kind === 'receipt',
  'order-status': (p) => p.kind === 'order-status',
}

/** Ready-made layouts, fitted to this site, and drawn with its own content and house style. */
export function useStarters() {
  const site = useSite()
  const design = useDesign()
  const map = useMap()
  const { draw } = useDrawing()

  const matches = (starter: Starter, type: PageType | null): Match[] =>
    site.catalogue ? matchesFor(starter.wants, site.catalogue, type) : []

  const fit = (starter: Starter, found: readonly Match[], id = newId()): Layout =>
    fitted(starter.layout, { id, name: starter.name }, found, design.house, newId)

  /** A page on which a starter can be seen: of the type that it is for, else of the sort that it is for. */
  function pageFor({ region, use }: Starter, type: PageType | null, catalogue: Catalogue): Page {
    const { pages, entries } = catalogue
    const pictured = (p: Page) => p.kind === 'entry' && entries.get(p.entry!)?.picture
    if (use && use !== 'entry') return pages.find(PAGE_OF[use]) ?? pages[0]!
    const ofType = pages.filter((p) => p.kind === 'entry' && p.type === type?.id)
    const own = ofType.find(pictured) ?? ofType[0]
    return (region === 'body' || region === 'card' ? own : undefined) ?? pages.find(pictured) ?? pages[0]!
  }

  /** A starter as it would look here. */
  function picture(starter: Starter, type: PageType | null, found: readonly Match[]): string {
    const layout = fit(starter, found, 'as-it-would-be')
    const tried = { ...design.design, layouts: [...design.design.layouts, layout] }
    const page = pageFor(starter, type, site.catalogue!)
    const inHand = { layout: layout.id, region: layout.region }
    // A header may lie over what comes below it.
    const alone = starter.region !== 'header'
    return draw({ design: tried, rules: design.rules, page, request: map.request, inHand, alone })
  }

  return { starters: STARTERS, matches, fit, picture }
}
