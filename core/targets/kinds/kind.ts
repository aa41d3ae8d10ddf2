import { exact, oneOf, shapeOf } from '../../shape'
import { WORKING_KINDS } from '../../catalogue'
import type { Test } from '../facts'
import { type PageIndex, type TargetSpec, oneKey } from '../spec'

const KINDS = ['entries', 'archives', 'working'] as const

export interface KindTarget {
  kind: 'kind'
  pages: (typeof KINDS)[number]
}

const NAMES: Record<KindTarget['pages'], string> = {
  entries: 'All entries',
  archives: 'All archives',
  working: 'All working pages',
}

const IS: Readonly<Record<KindTarget['pages'], Test>> = {
  entries: ({ entry }) => entry !== null,
  archives: ({ archive }) => archive,
  working: ({ page }) => WORKING_KINDS.has(page.kind),
}

const INDEXES: Readonly<Record<KindTarget['pages'], PageIndex>> = {
  entries: { keys: (facts) => oneKey(IS.entries(facts)), byType: true },
  archives: { keys: (facts) => oneKey(IS.archives(facts)) },
  working: { keys: (facts) => oneKey(IS.working(facts)) },
}

/** Where targets are found that may cover any entry. */
export const ANY_ENTRY = INDEXES.entries

/** All pages of a kind. */
export const kind: TargetSpec<KindTarget> = {
  shape: shapeOf<KindTarget>()(exact({ kind: oneOf(['kind']), pages: oneOf(KINDS, 'Choose a kind of page') })),
  narrowness: () => 1,
  matches: ({ pages }, facts) => IS[pages](facts),
  lists: ({ pages }) => [[INDEXES[pages], '']],
  implied: () => true,
  words: ({ pages }) => NAMES[pages],
  choices: () => KINDS.map((pages) => ({ picks: { kind: 'kind', pages }, label: NAMES[pages], what: 'kind' })),
  exchange: (target) => target,
}
