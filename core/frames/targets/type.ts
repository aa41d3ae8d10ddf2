import { exact, key, oneOf } from '../../shape'
import type { Id } from '../../model'
import type { TargetSpec } from '../spec'

export interface TypeTarget {
  kind: 'type'
  type: Id
}

/** The entries of a page type. */
export const type: TargetSpec<TypeTarget> = {
  shape: exact({ kind: oneOf(['type']), type: key('Choose a page type') }),
  narrowness: () => 2,
  matches: ({ type }, { entry }) => entry?.type === type,
  lists: ({ type }) => [['type', type]],
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
