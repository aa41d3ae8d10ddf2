import { AROUND } from './around'
import { BODIES } from './bodies'
import { CARDS } from './cards'
import type { Starter } from './types'

/** Every starter that ships with the product, by region, in the order in which they are offered. */
export const STARTERS: readonly Starter[] = [...AROUND, ...BODIES, ...CARDS]
