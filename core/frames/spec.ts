import type { Shape } from '../shape'
import type { Catalogue } from '../catalogue'
import type { Id, PageType } from '../model'
import type { Facts, Test } from './facts'
import type { FrameNames } from './names'

/**
 * What a kind of target or refinement is: one object in one file. Matching, ranking, looking up,
 * words, choices, checks and parcels derive from it; to add a kind is to write its file and name it in the list.
 */

export type Narrowness = 0 | 1 | 2 | 3 | 4 | 5

/** What a line may refer to. */
export type Referred = 'page' | 'entry' | 'type' | 'taxonomy' | 'term' | 'person' | 'field'

/** Asked of everything that a line refers to: what is to stand in its place, or null to take it away. */
export type Exchange = (what: Referred, id: string, type?: Id | null) => string | null

/** The lists in which a page looks up what may cover it, each by an id (empty where there is one list alone). */
export type ListName =
  | 'every'
  | 'entries'
  | 'archives'
  | 'working'
  | 'people'
  | 'page'
  | 'type'
  | 'type-archives'
  | 'term-pages'
  | 'term'
  | 'person'
  | 'above'
export type LookUp = readonly [list: ListName, id: Id]

/** Something that can be picked, with what it is called and what kind of thing it is, in a word or two. */
export interface Choice<T> {
  picks: T
  label: string
  what: string
}

/** A further fact that can be picked: at once, or, where `picks` is null, a field whose test has still to be said. */
export type RefinementChoice<R> = Choice<R> | (Choice<null> & { field: Id })

interface Line<T> {
  /** What is accepted. */
  shape: Shape
  /** The line with all that it refers to exchanged; null where it would say something else than was meant. */
  exchange(line: T, by: Exchange): T | null
}

export interface TargetSpec<T> extends Line<T> {
  narrowness(target: T): Narrowness
  refinements?(target: T): number
  /** Slow and obvious. */
  matches(target: T, facts: Facts, catalogue: Catalogue): boolean
  /** The same, made ready for asking it of many pages; `matches` where nothing is to be made ready. */
  test?(target: T, catalogue: Catalogue): Test
  /** The index of the one refinement that fails where all else holds; -1 otherwise. */
  nearly?(target: T, facts: Facts, catalogue: Catalogue): number
  /** The lists that a page which it covers looks up; each such page must look up one of them. */
  lists(target: T, catalogue: Catalogue): LookUp[]
  /** To stand in the list is to cover the page; nothing is left to ask. */
  implied(target: T): boolean
  words(target: T, names: FrameNames): string
  choices(catalogue: Catalogue): Choice<T>[]
}

export interface RefinementSpec<R> extends Line<R> {
  /** Slow and obvious. */
  holds(refinement: R, facts: Facts, catalogue: Catalogue): boolean
  test?(refinement: R, catalogue: Catalogue): Test
  /** The lists by which entries for which it holds can be looked up; null where there are none. */
  lists(refinement: R, catalogue: Catalogue): LookUp[] | null
  words(refinement: R, type: Id | null, names: FrameNames): string
  /** Facts by which the entries of some page types can be told apart. */
  choices(catalogue: Catalogue, types: readonly PageType[]): RefinementChoice<R>[]
  exchange(refinement: R, by: Exchange, type?: Id | null): R | null
}
