import type { Day } from '../time'
import type { Id } from '../shape'

/** What fields refer to by id. */
export type ReferredKind = 'person' | 'entry' | 'picture'

/** What things of a site are called, and what its clocks show. */
export interface Directory {
  readonly timeZone: string
  readonly today: Day
  has(kind: ReferredKind, id: Id): boolean
  /** The name of something; empty for what is not there, and for entries that visitors cannot see. */
  nameOf(kind: 'person' | 'entry' | 'term', id: Id): string
  /** The title of an entry, whether visitors can see it or not; null for none. */
  titleOf(kind: 'person' | 'entry' | 'term', id: Id): string | null
  /** Terms with those that they stand below. */
  withAbove(terms: readonly Id[]): Id[]
  /** Where a term stands among all of them, as their tree is read: sorts as text. */
  rankOf(term: Id): string
}
