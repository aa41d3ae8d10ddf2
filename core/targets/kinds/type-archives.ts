import { exact, key, oneOf, shapeOf } from '../../shape'
import type { Id } from '../../model'
import { NO_KEY, type PageIndex, type TargetSpec } from '../spec'

export interface TypeArchivesTarget {
  kind: 'type-archives'
  type: Id
}

const ARCHIVES_OF: PageIndex = { keys: ({ archive, page }) => (archive && page.type ? [page.type] : NO_KEY) }

/** The archive pages of a page type: its archive, years and months. */
export const typeArchives: TargetSpec<TypeArchivesTarget> = {
  shape: shapeOf<TypeArchivesTarget>()(exact({ kind: oneOf(['type-archives']), type: key('Choose a page type') })),
  narrowness: () => 2,
  matches: ({ type }, { page, archive }) => archive && page.type === type,
  lists: ({ type }) => [[ARCHIVES_OF, type]],
  implied: () => true,
  words: ({ type }, names) => `Archives of ${names.type(type, true)}`,
  choices: ({ types }) =>
    [...types.values()]
      .filter((t) => t.archive)
      .map(({ id, plural }) => ({
        picks: { kind: 'type-archives', type: id },
        label: `Archives of ${plural}`,
        what: 'archives',
      })),
  exchange(target, by) {
    const type = by('type', target.type)
    return type === null ? null : { ...target, type }
  },
}
