import { type TermTest, termTest, termTestShape, termsAsked } from '../../conditions'
import { or } from '../../text'
import { GONE } from '../names'
import { NO_KEY, type PageIndex, type RefinementSpec } from '../spec'

export type TermRefinement = TermTest

const IN_TERM: PageIndex = {
  keys: ({ entry }) => entry?.terms ?? NO_KEY,
  pages: (term, catalogue) => catalogue.entriesInTerm(term).map(({ id }) => `entry:${id}`),
}

/** The entry is in one of some terms, or below it. */
export const term: RefinementSpec<TermRefinement> = {
  shape: termTestShape,
  holds: ({ terms, below, taxonomy }, { entry }, catalogue) =>
    terms.some((t) =>
      (below ? catalogue.termsBelow(t) : [t]).some(
        (id) => catalogue.terms.get(id)?.taxonomy === taxonomy && entry!.terms.includes(id),
      ),
    ),
  test(refinement, catalogue) {
    const test = termTest(refinement, catalogue)
    return ({ entry }) => test(entry!)
  },
  lists: (refinement, catalogue) => [...termsAsked(refinement, catalogue)].map((t) => [IN_TERM, t] as const),
  words: ({ terms, below }, _type, names) =>
    `in ${or(terms.map((t) => names.term(t))) || GONE}${below ? ' or below' : ''}`,
  choices(catalogue, types) {
    const taxonomies = new Set(types.flatMap((t) => t.taxonomies))
    return [...catalogue.terms.values()].flatMap(({ id, title, taxonomy }) => {
      if (!taxonomies.has(taxonomy)) return []
      const what = catalogue.taxonomies.get(taxonomy)?.name.toLowerCase() ?? 'term'
      const choice = (below: boolean) => ({
        picks: { kind: 'term' as const, taxonomy, terms: [id], below },
        label: `in ${title}${below ? ' or below' : ''}`,
        what,
      })
      return catalogue.termsBelow(id).length > 1 ? [choice(false), choice(true)] : [choice(false)]
    })
  },
  exchange(refinement, by) {
    const terms = refinement.terms.flatMap((t) => by('term', t) ?? [])
    return terms.length > 0 ? { ...refinement, terms } : null
  },
}
