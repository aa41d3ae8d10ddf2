import type { FieldTestOp } from '../fields'
import type { Grouping, Relating, Sort } from '../lists'
import type { Id } from '../model'
import type { Value } from '../tree'

/** What an element that lists entries is told, known before there is a page. */
export interface ListPlan {
  /** The id of the element, by which it is told from other lists on its page. */
  id: Id
  source: 'newest' | 'page' | 'related' | 'chosen' | 'likely' | 'marked'
  types: readonly Id[]
  /** On the page of a term: with what stands in the terms below it. */
  below: boolean
  chosen: readonly Value[]
  relating: Pick<Relating, 'by' | 'field' | 'fill'>
  where: readonly { field: Id; op: FieldTestOp; value: Value }[]
  /** What visitors may narrow it by, with the names of the address parameters. */
  filters: readonly { field: Id; range: boolean; name: string; label: Value }[]
  /** Whether visitors may search it by words. */
  words: boolean
  sorts: readonly Sort[]
  grouping: Grouping | null
  /** Orders that visitors may choose. */
  ways: readonly { label: Value; sort: Sort; name: string }[]
  /** How many stand on one screen, and whether there are others. */
  most: number
  pages: boolean
}

/** Whether visitors can ask anything of a list. */
export const isAsked = ({ filters, words, ways }: ListPlan): boolean => filters.length > 0 || words || ways.length > 0
