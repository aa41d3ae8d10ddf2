import { type OutcomeTable, pagesOfLayout } from '#core/rules'
import { workOf } from '#core/elements'
import { type Layout, elementsOf } from '#core/tree'
import type { Catalogue } from '#core/catalogue'
import type { Page } from '#core/model'

/** The working page that a body is for, by what it holds; none where it is for no such page, or the site has none. */
function workPageOf(layout: Layout, { pages }: Catalogue): Page | undefined {
  const kind = layout.region === 'body' ? workOf(elementsOf(layout).map((e) => e.type)) : null
  return kind ? pages.find((p) => p.kind === kind) : undefined
}

/** The page that a layout is first shown with: one on which it shows, else one that suits what it holds and its region. */
export function firstPageFor(
  layout: Layout,
  catalogue: Catalogue,
  table: OutcomeTable | null,
  /** Where a piece stands: it shows where these do. */
  standsIn: readonly { id: string }[] = [],
): Page {
  const own = table
    ? [layout, ...standsIn].flatMap(({ id }) => pagesOfLayout(table, catalogue.pages, id).slice(0, 1))[0]
    : undefined
  const suits = own ?? workPageOf(layout, catalogue)
  if (suits) return suits
  const entry = catalogue.pages.find((p) => p.kind === 'entry' && catalogue.types.get(p.type!)!.fields.length > 0)
  const wantsEntry = layout.region === 'body' || layout.region === 'card'
  return (wantsEntry ? entry : undefined) ?? catalogue.pages[0]!
}

/** Pages of the same sort as a page: those to step through. */
export function pagesLike(page: Page, catalogue: Catalogue): Page[] {
  return catalogue.pages.filter((p) => p.kind === page.kind && p.type === page.type && p.taxonomy === page.taxonomy)
}
