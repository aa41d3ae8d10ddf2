import { countDistinct } from '../../conditions'
import { exact, key, list, oneOf, shapeOf, orNothing } from '../../shape'
import type { Catalogue } from '../../catalogue'
import type { Id } from '../../model'
import type { Facts } from '../facts'
import { andAlso } from '../../text'
import {
  type Refinement,
  refinementHolds,
  refinementName,
  refinementShape,
  refinementSpec,
  refinementTest,
} from '../refinements'
import type { TargetOption, TargetSpec } from '../spec'
import { ANY_ENTRY } from './kind'
import { OF_TYPE } from './type'

export interface EntriesTarget {
  kind: 'entries'
  /** Null for entries of any type. */
  type: Id | null
  /** All of them must hold. */
  where: Refinement[]
}

const MOST_REFINEMENTS = 20
const typeOrAny = orNothing(key('Choose a page type'))

const isOfType = ({ type }: EntriesTarget, { entry }: Facts): boolean =>
  entry !== null && (type === null || entry.type === type)

/** Entries in a term, for each page type that uses its taxonomy. */
function inTerms({ terms, types }: Catalogue): TargetOption<EntriesTarget>[] {
  return [...terms.values()].flatMap((term) =>
    [...types.values()]
      .filter((t) => t.taxonomies.includes(term.taxonomy))
      .map(({ id, plural }) => ({
        picks: {
          kind: 'entries' as const,
          type: id,
          where: [{ kind: 'term' as const, taxonomy: term.taxonomy, terms: [term.id], below: false }],
        },
        label: `${plural} in ${term.title}`,
        what: 'group',
      })),
  )
}

/** Entries by a person, of any type: what else must hold is added to the target. */
function byPeople({ people }: Catalogue): TargetOption<EntriesTarget>[] {
  return [...people.values()].map(({ id, name }) => ({
    picks: { kind: 'entries', type: null, where: [{ kind: 'person', people: [id] }] },
    label: `Entries by ${name}`,
    what: 'group',
  }))
}

/** Entries of a page type, or of any, for which some facts hold. */
export const entries: TargetSpec<EntriesTarget> = {
  shape: shapeOf<EntriesTarget>()(
    exact({
      kind: oneOf(['entries']),
      type: typeOrAny,
      where: list(refinementShape, MOST_REFINEMENTS, `A target can have ${MOST_REFINEMENTS} refinements`),
    }),
  ),
  narrowness: ({ type, where }) => (where.length > 0 ? 3 : type === null ? 1 : 2),
  refinements: ({ where }) => countDistinct(where),
  matches: (target, facts, catalogue) =>
    isOfType(target, facts) && target.where.every((r) => refinementHolds(r, facts, catalogue)),
  test(target, catalogue) {
    const tests = target.where.map((r) => refinementTest(r, catalogue))
    return (facts) => isOfType(target, facts) && tests.every((test) => test(facts))
  },
  nearly(target, facts, catalogue) {
    if (target.where.length === 0 || !isOfType(target, facts)) return -1
    const failing = target.where.flatMap((r, i) => (refinementHolds(r, facts, catalogue) ? [] : [i]))
    return failing.length === 1 ? failing[0]! : -1
  },
  lists({ type, where }, catalogue) {
    for (const r of where) {
      const lists = refinementSpec(r).lists(r, catalogue)
      if (lists) return lists
    }
    return [type === null ? [ANY_ENTRY, ''] : [OF_TYPE, type]]
  },
  implied: ({ where }) => where.length === 0,
  words({ type, where }, names) {
    const facts = where.map((r) => refinementName(r, type, names))
    return [type === null ? 'Entries' : names.type(type, true), ...(facts.length > 0 ? [andAlso(facts)] : [])].join(' ')
  },
  choices: (catalogue) => [...inTerms(catalogue), ...byPeople(catalogue)],
  exchange(target, by) {
    const type = target.type === null ? null : by('type', target.type)
    if (target.type !== null && type === null) return null
    const where = target.where.map((r) => refinementSpec(r).exchange(r, by, target.type))
    // Without one of its facts a target would be broader than it was: it is dropped as a whole.
    return where.includes(null) ? null : { ...target, type, where: where.filter((r) => r !== null) }
  },
}
