import { exact, oneOf, shapeOf } from '../../shape'
import { type PageIndex, type TargetSpec, oneKey } from '../spec'

export interface PersonPagesTarget {
  kind: 'person-pages'
}

const PERSON_PAGES: PageIndex = { keys: ({ page }) => oneKey(page.kind === 'person') }

/** The pages of people. */
export const personPages: TargetSpec<PersonPagesTarget> = {
  shape: shapeOf<PersonPagesTarget>()(exact({ kind: oneOf(['person-pages']) })),
  narrowness: () => 2,
  matches: (_, { page }) => page.kind === 'person',
  lists: () => [[PERSON_PAGES, '']],
  implied: () => true,
  words: () => 'Pages of people',
  choices: () => [{ picks: { kind: 'person-pages' }, label: 'Pages of people', what: 'kind' }],
  exchange: (target) => target,
}
