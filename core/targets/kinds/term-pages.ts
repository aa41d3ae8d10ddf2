import { exact, key, oneOf, shapeOf } from '../../shape'
import type { Id } from '../../model'
import { NO_KEY, type PageIndex, type TargetSpec } from '../spec'

export interface TermPagesTarget {
  kind: 'term-pages'
  taxonomy: Id
}

const OF_TAXONOMY: PageIndex = { keys: ({ page }) => (page.kind === 'term' ? [page.taxonomy!] : NO_KEY) }

/** The pages of the terms of a taxonomy. */
export const termPages: TargetSpec<TermPagesTarget> = {
  shape: shapeOf<TermPagesTarget>()(exact({ kind: oneOf(['term-pages']), taxonomy: key('Choose a taxonomy') })),
  narrowness: () => 2,
  matches: ({ taxonomy }, { page }) => page.kind === 'term' && page.taxonomy === taxonomy,
  lists: ({ taxonomy }) => [[OF_TAXONOMY, taxonomy]],
  implied: () => true,
  words: ({ taxonomy }, names) => `${names.taxonomy(taxonomy)} pages`,
  choices: ({ taxonomies }) =>
    [...taxonomies.values()]
      .filter((t) => t.pages)
      .map(({ id, name }) => ({
        picks: { kind: 'term-pages', taxonomy: id },
        label: `${name} pages`,
        what: 'archives',
      })),
  exchange(target, by) {
    const taxonomy = by('taxonomy', target.taxonomy)
    return taxonomy === null ? null : { ...target, taxonomy }
  },
}
