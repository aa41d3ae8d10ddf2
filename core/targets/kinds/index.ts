import { type Shape, kinds, shapesOf } from '../../shape'
import type { Catalogue } from '../../catalogue'
import type { Facts, Test } from '../facts'
import type { RuleNames } from '../names'
import type { TargetOption, Narrowness, TargetSpec } from '../spec'
import { type EntriesTarget, entries } from './entries'
import { type EveryTarget, every } from './every'
import { type KindTarget, kind } from './kind'
import { type PageTarget, page } from './page'
import { type PersonPagesTarget, personPages } from './person-pages'
import { type TermPagesTarget, termPages } from './term-pages'
import { type TypeTarget, type } from './type'
import { type TypeArchivesTarget, typeArchives } from './type-archives'

/** One line of Covers or Except: which pages. */
export type Target =
  | EveryTarget
  | KindTarget
  | TypeTarget
  | TypeArchivesTarget
  | TermPagesTarget
  | PersonPagesTarget
  | EntriesTarget
  | PageTarget

/** Every kind, in the order in which they are offered. */
const TARGETS: { [K in Target['kind']]: TargetSpec<Extract<Target, { kind: K }>> } = {
  every,
  kind,
  type,
  'type-archives': typeArchives,
  'term-pages': termPages,
  'person-pages': personPages,
  entries,
  page,
}

const ALL = Object.values(TARGETS) as TargetSpec<Target>[]

export const targetSpec = ({ kind }: Pick<Target, 'kind'>): TargetSpec<Target> => TARGETS[kind] as TargetSpec<Target>

export const targetShape: Shape<Target> = kinds(shapesOf(TARGETS), 'kind', 'target')

/** How narrow a target is (`docs/frames.md`). */
export const narrownessOf = (target: Target): Narrowness => targetSpec(target).narrowness(target)

export const refinementsOf = (target: Target): number => targetSpec(target).refinements?.(target) ?? 0

/** Whether a target covers a page; slow and obvious. */
export function matches(target: Target, facts: Facts, catalogue: Catalogue): boolean {
  return targetSpec(target).matches(target, facts, catalogue)
}

/** The same as one test, with what depends on the catalogue looked up beforehand. */
export function targetTest(target: Target, catalogue: Catalogue): Test {
  const spec = targetSpec(target)
  return spec.test?.(target, catalogue) ?? ((facts) => spec.matches(target, facts, catalogue))
}

/** Index of the one refinement that fails when all else of the target holds; -1 otherwise. */
export function nearlyMatches(target: Target, facts: Facts, catalogue: Catalogue): number {
  return targetSpec(target).nearly?.(target, facts, catalogue) ?? -1
}

/** A target in plain words: "Exhibits in Tower Room", "Not found". */
export const targetName = (target: Target, names: RuleNames): string => targetSpec(target).words(target, names)

/** Every target there is to pick: all pages, kinds, types, groups, and single pages. */
export const targetChoices = (catalogue: Catalogue): TargetOption<Target>[] =>
  ALL.flatMap((spec) => spec.choices(catalogue))
