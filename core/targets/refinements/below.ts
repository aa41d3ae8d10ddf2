import { KEY, exact, oneOf, texts, shapeOf } from '../../shape'
import type { Id } from '../../model'
import { or } from '../../text'
import { GONE } from '../names'
import { NO_KEY, type PageIndex, type RefinementSpec } from '../spec'

export interface BelowRefinement {
  kind: 'below'
  entries: Id[]
}

const BELOW: PageIndex = { keys: ({ entry, above }) => (entry ? above : NO_KEY) }

/** The entry stands somewhere below one of some pages in the page tree. */
export const below: RefinementSpec<BelowRefinement> = {
  shape: shapeOf<BelowRefinement>()(
    exact({ kind: oneOf(['below']), entries: texts(KEY, 500, 'Choose at least one page to stand below', 1) }),
  ),
  holds: ({ entries }, { above }) => entries.some((id) => above.includes(id)),
  lists: ({ entries }) => [...new Set(entries)].map((e) => [BELOW, e] as const),
  words: ({ entries }, _type, names) => `below ${or(entries.map((e) => names.entry(e))) || GONE}`,
  choices({ site }, types) {
    const trees = new Set(types.filter((t) => t.tree).map((t) => t.id))
    return site.entries
      .filter((e) => trees.has(e.type))
      .map(({ id, title }) => ({ picks: { kind: 'below', entries: [id] }, label: `below ${title}`, what: 'page' }))
  },
  exchange(refinement, by) {
    const entries = refinement.entries.flatMap((e) => by('entry', e) ?? [])
    return entries.length > 0 ? { ...refinement, entries } : null
  },
}
