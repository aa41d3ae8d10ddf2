import { exact, oneOf } from '../../shape'
import type { TargetSpec } from '../spec'

export interface PersonPagesTarget {
  kind: 'person-pages'
}

/** The pages of people. */
export const personPages: TargetSpec<PersonPagesTarget> = {
  shape: exact({ kind: oneOf(['person-pages']) }),
  narrowness: () => 2,
  matches: (_, { page }) => page.kind === 'person',
  lists: () => [['people', '']],
  implied: () => true,
  words: () => 'Pages of people',
  choices: () => [{ picks: { kind: 'person-pages' }, label: 'Pages of people', what: 'kind' }],
  exchange: (target) => target,
}
