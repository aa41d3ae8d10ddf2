import type { Drawn } from '../layouts'
import { type LayoutDocument, isVariation } from '../tree'
import type { Finding } from './types'

/** What of a variation does not hold: all of it where its base is not there, or own changes that wait. */
export function checkFollowing(layout: LayoutDocument, { waiting, baseless }: Drawn): Finding[] {
  if (!isVariation(layout)) return []
  const of = { layout: layout.id, base: layout.follows.base }
  if (baseless) return [{ kind: 'baseless', ...of, because: baseless }]
  return waiting.length > 0 ? [{ kind: 'waiting', ...of, changes: waiting.length }] : []
}
