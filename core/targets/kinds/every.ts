import { exact, oneOf, shapeOf } from '../../shape'
import { ONE_KEY, type PageIndex, type TargetSpec } from '../spec'

export interface EveryTarget {
  kind: 'every'
}

const EVERY: PageIndex = { keys: () => ONE_KEY, byType: true }

/** Every page. */
export const every: TargetSpec<EveryTarget> = {
  shape: shapeOf<EveryTarget>()(exact({ kind: oneOf(['every']) })),
  narrowness: () => 0,
  matches: () => true,
  lists: () => [[EVERY, '']],
  implied: () => true,
  words: () => 'Every page',
  choices: () => [{ picks: { kind: 'every' }, label: 'Every page', what: 'all' }],
  exchange: (target) => target,
}
