import { exact, oneOf } from '../../shape'
import type { TargetSpec } from '../spec'

export interface EveryTarget {
  kind: 'every'
}

/** Every page. */
export const every: TargetSpec<EveryTarget> = {
  shape: exact({ kind: oneOf(['every']) }),
  narrowness: () => 0,
  matches: () => true,
  lists: () => [['every', '']],
  implied: () => true,
  words: () => 'Every page',
  choices: () => [{ picks: { kind: 'every' }, label: 'Every page', what: 'all' }],
  exchange: (target) => target,
}
