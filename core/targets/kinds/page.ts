import { exact, key, oneOf, shapeOf } from '../../shape'
import { keysOf } from '../facts'
import type { PageIndex, TargetSpec } from '../spec'

export interface PageTarget {
  kind: 'page'
  /** By its key (see `Page`). */
  page: string
}

/** Pages that come and go with the days are covered as the archives of their type. */
const PASSING: ReadonlySet<string> = new Set(['month', 'year'])

const BY_KEY: PageIndex = { keys: ({ page }) => keysOf(page), pages: (key) => [key] }

/** One page. */
export const page: TargetSpec<PageTarget> = {
  shape: shapeOf<PageTarget>()(exact({ kind: oneOf(['page']), page: key('Choose a page') })),
  narrowness: () => 4,
  matches: (target, { page }) => keysOf(page).includes(target.page),
  test: (target) => {
    const { page: key } = target
    return ({ page }) => page.key === key || (page.kind === 'home' && keysOf(page).includes(key))
  },
  lists: ({ page }) => [[BY_KEY, page]],
  implied: () => true,
  words: ({ page }, names) => names.page(page),
  choices: ({ pages, types }) =>
    pages
      .filter((p) => !PASSING.has(p.kind))
      .map(({ key, kind, title, type }) => ({
        picks: { kind: 'page', page: key },
        label: kind === 'home' ? `Home (${title})` : title,
        what: (type && types.get(type)?.name.toLowerCase()) ?? 'page',
      })),
  exchange(target, by) {
    const page = by('page', target.page)
    return page === null ? null : { ...target, page }
  },
}
