import { KEY, exact, oneOf, texts, shapeOf } from '../../shape'
import type { Id } from '../../model'
import { or } from '../../text'
import { GONE } from '../names'
import { NO_KEY, type PageIndex, type RefinementSpec } from '../spec'

export interface PersonRefinement {
  kind: 'person'
  people: Id[]
}

const BY_PERSON: PageIndex = {
  keys: ({ entry }) => (entry?.person ? [entry.person] : NO_KEY),
  pages: (person, catalogue) => catalogue.entriesBy(person).map(({ id }) => `entry:${id}`),
}

/** The entry is by one of some people. */
export const person: RefinementSpec<PersonRefinement> = {
  shape: shapeOf<PersonRefinement>()(
    exact({ kind: oneOf(['person']), people: texts(KEY, 500, 'Choose at least one person', 1) }),
  ),
  holds: ({ people }, { entry }, catalogue) =>
    entry!.person !== null && catalogue.people.has(entry!.person) && people.includes(entry!.person),
  lists: ({ people }) => [...new Set(people)].map((p) => [BY_PERSON, p] as const),
  words: ({ people }, _type, names) => `by ${or(people.map((p) => names.person(p))) || GONE}`,
  choices({ people }, types) {
    const what = (types.length === 1 ? types[0]!.personLabel : 'Person').toLowerCase()
    return [...people.values()].map(({ id, name }) => ({
      picks: { kind: 'person', people: [id] },
      label: `by ${name}`,
      what,
    }))
  },
  exchange(refinement, by) {
    const people = refinement.people.flatMap((p) => by('person', p) ?? [])
    return people.length > 0 ? { ...refinement, people } : null
  },
}
