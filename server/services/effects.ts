import type { Need } from '../../core/conditions'
import { DEVICE_HEADERS, DEVICE_HINTS } from './device'

/** What follows for an answer from each thing that a page may depend on. Whatever is new must say it here. */
interface Effect {
  /** Whether it may be kept ready, and for whom: `count` under an address for each number. */
  kept: boolean
  /** Whether it is for one visitor alone, and no cache may give it to others. */
  own: boolean
  /** Headers of the request that it differs by. */
  vary: string
  /** What browsers are asked to tell. */
  hints?: string
}

export const EFFECTS: Readonly<Record<Need, Effect>> = {
  address: { kept: true, own: false, vary: '' },
  device: { kept: false, own: false, vary: DEVICE_HEADERS, hints: DEVICE_HINTS },
  session: { kept: false, own: true, vary: 'cookie' },
  date: { kept: false, own: false, vary: '' },
  basket: { kept: false, own: true, vary: 'cookie' },
  count: { kept: true, own: false, vary: 'cookie' },
}

export const effectsOf = (needs: ReadonlySet<Need>): Effect[] => [...needs].map((need) => EFFECTS[need])
