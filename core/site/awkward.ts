import type { Catalogue } from './catalogue'
import { isEmpty } from './fields'
import type { Page } from './types'

export type Awkward = 'longest' | 'no-picture' | 'emptiest'

/** How much of an entry is filled in: fields, picture, summary, person. */
function filled(catalogue: Catalogue, page: Page): number {
  const entry = page.entry ? catalogue.entries.get(page.entry) : undefined
  if (!entry) return Number.POSITIVE_INFINITY
  const values = [
    ...Object.values(entry.fields),
    entry.picture,
    entry.summary,
    entry.person,
    entry.title,
    entry.content,
  ]
  return values.filter((v) => !isEmpty(v)).length
}

/** The pages on which a layout is most likely to look wrong, among those given; null where there is none. */
export function awkwardPages(catalogue: Catalogue, pages: readonly Page[]): Record<Awkward, Page | null> {
  const entries = pages.filter((p) => p.entry)
  const titleOf = (page: Page) => catalogue.entries.get(page.entry!)?.title ?? ''
  const best = (score: (page: Page) => number): Page | null => {
    let found: Page | null = null
    for (const page of entries) if (!found || score(page) > score(found)) found = page
    return found
  }
  return {
    longest: best((p) => titleOf(p).length),
    'no-picture': entries.find((p) => !catalogue.entries.get(p.entry!)?.picture) ?? null,
    emptiest: best((p) => -filled(catalogue, p)),
  }
}
