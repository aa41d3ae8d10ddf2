import equal from 'fast-deep-equal'
import type { Entry } from './types'

/** Whether two states of an entry say the same: what is not set is as good as left out. */
export function isSame(a: Entry, b: Entry): boolean {
  const plain = (entry: Entry): unknown => JSON.parse(JSON.stringify(entry))
  return equal(plain(a), plain(b))
}
