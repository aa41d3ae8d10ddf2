import { KEY, exact, key, oneOf, texts, yesNo, shapeOf } from '../shape'
import type { Catalogue } from '../catalogue'
import type { Entry, Id } from '../model'

/** An entry is in one of some terms of a taxonomy, or below it. */
export interface TermTest {
  kind: 'term'
  taxonomy: Id
  terms: Id[]
  below: boolean
}

const SOME = 'Choose at least one term'

export const termTestShape = shapeOf<TermTest>()(
  exact({
    kind: oneOf(['term']),
    taxonomy: key(SOME),
    terms: texts(KEY, 500, SOME, 1),
    below: yesNo(),
  }),
)

/** The terms that are listed, those below them included if it asks for them; only those of its taxonomy that exist. */
export function termsAsked({ below, terms, taxonomy }: TermTest, catalogue: Catalogue): Set<Id> {
  const listed = below ? terms.flatMap((t) => catalogue.termsBelow(t)) : terms
  return new Set(listed.filter((t) => catalogue.terms.get(t)?.taxonomy === taxonomy))
}

/** The test made ready for asking it of many entries. */
export function termTest(test: TermTest, catalogue: Catalogue): (entry: Entry) => boolean {
  const terms = termsAsked(test, catalogue)
  return (entry) => entry.terms.some((t) => terms.has(t))
}
