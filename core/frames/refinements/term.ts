import { key, exact, oneOf, texts, KEY, yesNo } from '../../shape'
import type { Catalogue, Id } from '../../site'
import { or } from '../../words'
import { GONE } from '../names'
import type { RefinementSpec } from '../spec'

export interface TermRefinement {
  kind: 'term'
  taxonomy: Id
  terms: Id[]
  below: boolean
}

/** The terms that are listed, those below them included if it asks for them; only those of its taxonomy that exist. */
function termsOf({ below, terms, taxonomy }: TermRefinement, catalogue: Catalogue): Set<Id> {
  const listed = below ? terms.flatMap((t) => catalogue.termsBelow(t)) : terms
  return new Set(listed.filter((t) => catalogue.terms.get(t)?.taxonomy === taxonomy))
}

const SOME = 'Choose at least one term'

/** The entry is in one of some terms, or below it. */
export const term: RefinementSpec<TermRefinement> = {
  shape: exact({ kind: oneOf(['term']), taxonomy: key(SOME), terms: texts(KEY, 500, SOME, 1), below: yesNo() }),
  holds: ({ terms, below, taxonomy }, { entry }, catalogue) =>
    terms.some((t) =>
      (below ? catalogue.termsBelow(t) : [t]).some(
        (id) => catalogue.terms.get(id)?.taxonomy === taxonomy && entry!.terms.includes(id),
      ),
    ),
  test(refinement, catalogue) {
    const terms = termsOf(refinement, catalogue)
    return ({ entry }) => entry!.terms.some((t) => terms.has(t))
  },
  lists: (refinement, catalogue) => [...termsOf(refinement, catalogue)].map((t) => ['term', t] as const),
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
