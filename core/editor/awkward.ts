import type { Catalogue } from '../catalogue'
import { isEmpty } from '../fields'
import type { Page } from '../model'

export type Awkward = 'longest' | 'no-picture' | 'emptiest'

/** How much of an entry is filled in: fields, picture, summary, person; of a page that lists entries, how many. */
function filled(catalogue: Catalogue, page: Page): number {
  const entry = page.entry ? catalogue.entries.get(page.entry) : undefined
  if (!entry) return catalogue.listing(page).length
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

/** What may have a picture behind a page; undefined where nothing may. */
const pictured = (catalogue: Catalogue, { entry, term, person }: Page): { picture: unknown } | undefined =>
  entry
    ? catalogue.entries.get(entry)
    : term
      ? catalogue.terms.get(term)
      : person
        ? catalogue.people.get(person)
        : undefined

/** The pages on which a layout is most likely to look wrong, among those given; null where there is none. */
export function awkwardPages(catalogue: Catalogue, pages: readonly Page[]): Record<Awkward, Page | null> {
  const about = pages.filter((p) => p.entry || p.term || p.person)
  const titleOf = (page: Page) => (page.entry ? catalogue.entries.get(page.entry)?.title : page.title) ?? ''
  const best = (score: (page: Page) => number): Page | null => {
    let found: Page | null = null
    for (const page of about) if (!found || score(page) > score(found)) found = page
    return found
  }
  return {
    longest: best((p) => titleOf(p).length),
    'no-picture': about.find((p) => pictured(catalogue, p)?.picture === null) ?? null,
    emptiest: best((p) => -filled(catalogue, p)),
  }
}
