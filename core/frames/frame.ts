import { REGIONS } from '../layouts/types'
import type { Id } from '../site'
import { narrownessOf } from './match'
import type { Frame, Target } from './types'

/** A frame that covers the targets, has no say on any region yet, and is on. */
export function newFrame(id: Id, covers: Target[], order: number): Frame {
  const regions = Object.fromEntries(REGIONS.map((r) => [r, { kind: 'pass' }])) as Frame['regions']
  return { id, name: '', on: true, covers, except: [], onlyWhen: [], regions, outranks: false, order, offeredTo: [] }
}

/** The headings of the ladder, from what outranks to what is outranked. */
export const GROUPS = ['outranking', 'circumstances', 'pages', 'groups', 'types', 'kinds', 'site'] as const
export type Group = (typeof GROUPS)[number]

const BY_NARROWNESS: readonly Group[] = ['site', 'kinds', 'types', 'groups', 'pages', 'pages']

/** Under which heading of the ladder a frame stands. */
export function groupOf(frame: Frame): Group {
  if (frame.outranks) return 'outranking'
  if (frame.onlyWhen.length > 0) return 'circumstances'
  return BY_NARROWNESS[Math.max(0, ...frame.covers.map(narrownessOf))]!
}
