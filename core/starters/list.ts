import { LISTS, TERMS } from './archives'
import { CARDS } from './cards'
import { DOORS } from './doors'
import { ENTRIES } from './entries'
import { FOOTERS } from './footers'
import { HEADERS } from './headers'
import { INTROS } from './intros'
import { TILLS } from './tills'
import type { Starter } from './types'
import { LOST, PEOPLE, SEARCH } from './working'

/** Every starter that ships with the product, by region, in the order in which they are offered. */
export const STARTERS: readonly Starter[] = [
  ...HEADERS,
  ...INTROS,
  ...FOOTERS,
  ...ENTRIES,
  ...LISTS,
  ...TERMS,
  ...PEOPLE,
  ...SEARCH,
  ...DOORS,
  ...TILLS,
  ...LOST,
  ...CARDS,
]
