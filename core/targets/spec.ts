import type { Shape } from '../shape'
import type { Catalogue } from '../catalogue'
import type { Id, PageType } from '../model'
import type { Facts, Test } from './facts'
import type { RuleNames } from './names'

/**
 * What a kind of target or refinement is: one object in one file. Matching, ranking, looking up,
 * words, choices, checks and parcels derive from it; to add a kind is to write its file and name it in the list.
 */

export type Narrowness = 0 | 1 | 2 | 3 | 4 | 5

/** What a line may refer to. */
export type Referred = 'page' | 'entry' | 'type' | 'taxonomy' | 'term' | 'person' | 'field'

/** Asked of everything that a line refers to: what is to stand in its place, or null to take it away. */
export type Exchange = (what: Referred, id: string, type?: Id | null) => string | null

/**
 * A way in which pages look up what may cover them. Each kind of target or refinement brings its own; lines that name
 * the same index are found together.
 */
export interface PageIndex {
  /** The keys under which a page looks. */
  keys(facts: Facts): readonly Id[]
  /** All entries of a type look under the same keys, and so do all other pages: what they find is put together once. */
  byType?: true
  /** The keys of the pages that look under a key, where they can be told; else it may be any page. */
  pages?(key: Id, catalogue: Catalogue): readonly string[]
}
export type LookUp = readonly [index: PageIndex, key: Id]

/** The only key of an index, and its absence. */
export const ONE_KEY: readonly Id[] = ['']
export const NO_KEY: readonly Id[] = []
export const oneKey = (has: boolean): readonly Id[] => (has ? ONE_KEY : NO_KEY)

/** Something that can be picked, with what it is called and what kind of thing it is, in a word or two. */
export interface TargetOption<T> {
  picks: T
  label: string
  what: string
}

/** A further fact that can be picked: at once, or, where `picks` is null, a field whose test has still to be said. */
export type RefinementChoice<R> = TargetOption<R> | (TargetOption<null> & { field: Id })

interface RuleLine<T> {
  /** What is accepted. */
  shape: Shape<T>
  /** The line with all that it refers to exchanged; null where it would say something else than was meant. */
  exchange(line: T, by: Exchange): T | null
}

export interface TargetSpec<T> extends RuleLine<T> {
  narrowness(target: T): Narrowness
  refinements?(target: T): number
  /** Slow and obvious. */
  matches(target: T, facts: Facts, catalogue: Catalogue): boolean
  /** The same, made ready for asking it of many pages; `matches` where nothing is to be made ready. */
  test?(target: T, catalogue: Catalogue): Test
  /** The index of the one refinement that fails where all else holds; -1 otherwise. */
  nearly?(target: T, facts: Facts, catalogue: Catalogue): number
  /** Where it is found by the pages that it covers; each such page must look under one of them. */
  lists(target: T, catalogue: Catalogue): LookUp[]
  /** To stand in the list is to cover the page; nothing is left to ask. */
  implied(target: T): boolean
  words(target: T, names: RuleNames): string
  choices(catalogue: Catalogue): TargetOption<T>[]
}

export interface RefinementSpec<R> extends RuleLine<R> {
  /** Slow and obvious. */
  holds(refinement: R, facts: Facts, catalogue: Catalogue): boolean
  test?(refinement: R, catalogue: Catalogue): Test
  /** Where it is found by the entries for which it holds; null where no index tells them. */
  lists(refinement: R, catalogue: Catalogue): LookUp[] | null
  words(refinement: R, type: Id | null, names: RuleNames): string
  /** Facts by which the entries of some page types can be told apart. */
  choices(catalogue: Catalogue, types: readonly PageType[]): RefinementChoice<R>[]
  exchange(refinement: R, by: Exchange, type?: Id | null): R | null
}
