import { exact, key, oneOf, shapeOf } from '../../shape'
import type { Id } from '../../model'
import { NO_KEY, type PageIndex, type TargetSpec } from '../spec'

export interface TypeTarget {
  kind: 'type'
  type: Id
}

/** Where targets are found that may cover entries of one type. */
export const OF_TYPE: PageIndex = {
  keys: ({ entry }) => (entry ? [entry.type] : NO_KEY),
  byType: true,
  pages: (type, catalogue) => catalogue.entriesOfType(type).map(({ id }) => `entry:${id}`),
}

/** The entries of a page type. */
export const type: TargetSpec<TypeTarget> = {
  shape: shapeOf<TypeTarget>()(exact({ kind: oneOf(['type']), type: key('Choose a page type') })),
  narrowness: () => 2,
  matches: ({ type }, { entry }) => entry?.type === type,
  lists: ({ type }) => [[OF_TYPE, type]],
  implied: () => true,
  words: ({ type }, names) => names.type(type, true),
  choices: ({ types }) =>
    [...types.values()].map(({ id, plural }) => ({
      picks: { kind: 'type', type: id },
      label: plural,
      what: 'page type',
    })),
  exchange(target, by) {
    const type = by('type', target.type)
    return type === null ? null : { ...target, type }
  },
}
