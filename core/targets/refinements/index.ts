import { type Shape, kinds, shapesOf } from '../../shape'
import type { Catalogue } from '../../catalogue'
import type { Id } from '../../model'
import type { Facts, Test } from '../facts'
import type { FieldTest } from '../../conditions'
import type { RuleNames } from '../names'
import type { RefinementChoice, RefinementSpec } from '../spec'
import { type BelowRefinement, below } from './below'
import { field } from './field'
import { type PersonRefinement, person } from './person'
import { type TermRefinement, term } from './term'

/** A fact about an entry that must hold besides its page type. */
export type Refinement = TermRefinement | PersonRefinement | BelowRefinement | FieldTest

const REFINEMENTS: { [K in Refinement['kind']]: RefinementSpec<Extract<Refinement, { kind: K }>> } = {
  term,
  person,
  below,
  field,
}

export const refinementSpec = ({ kind }: Pick<Refinement, 'kind'>): RefinementSpec<Refinement> =>
  REFINEMENTS[kind] as RefinementSpec<Refinement>

export const refinementShape: Shape<Refinement> = kinds(shapesOf(REFINEMENTS), 'kind', 'refinement')

/** Slow and obvious; holds for nothing but entries. */
export function refinementHolds(refinement: Refinement, facts: Facts, catalogue: Catalogue): boolean {
  return facts.entry !== null && refinementSpec(refinement).holds(refinement, facts, catalogue)
}

/** The same, made ready for asking it of many entries. */
export function refinementTest(refinement: Refinement, catalogue: Catalogue): Test {
  const spec = refinementSpec(refinement)
  return spec.test?.(refinement, catalogue) ?? ((facts) => spec.holds(refinement, facts, catalogue))
}

export function refinementName(refinement: Refinement, type: Id | null, names: RuleNames): string {
  return refinementSpec(refinement).words(refinement, type, names)
}

/** Facts by which the entries of a type (null: of any) can be told apart. */
export function refinementChoices(catalogue: Catalogue, type: Id | null): RefinementChoice<Refinement>[] {
  const types = [...catalogue.types.values()].filter((t) => type === null || t.id === type)
  return (Object.values(REFINEMENTS) as RefinementSpec<Refinement>[]).flatMap((s) => s.choices(catalogue, types))
}
