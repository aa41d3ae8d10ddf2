import { exact, oneOf } from '../../shape'
import { WORKING_KINDS } from '../../catalogue'
import type { TargetSpec } from '../spec'

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

/** All pages of a kind. */
export const kind: TargetSpec<KindTarget> = {
  shape: exact({ kind: oneOf(['kind']), pages: oneOf(KINDS, 'Choose a kind of page') }),
  narrowness: () => 1,
  matches({ pages }, { page, entry, archive }) {
    if (pages === 'entries') return entry !== null
    return pages === 'archives' ? archive : WORKING_KINDS.has(page.kind)
  },
  lists: ({ pages }) => [[pages, '']],
  implied: () => true,
  words: ({ pages }) => NAMES[pages],
  choices: () => KINDS.map((pages) => ({ picks: { kind: 'kind', pages }, label: NAMES[pages], what: 'kind' })),
  exchange: (target) => target,
}
