import type { LayoutTrees } from '../layouts'
import { type LayoutDocument, isVariation } from '../tree'
import type { Finding } from './types'

/** Places of pieces that draw nothing, or that say what cannot be said; a piece that is not there is told as dangling. */
export function checkPlaces(layout: LayoutDocument, { places }: LayoutTrees): Finding[] {
  return places.flatMap(({ node, piece, because, waiting }): Finding[] => {
    const of = { layout: layout.id, node, piece }
    if (because === 'missing') return []
    if (because) return [{ kind: 'unplaced', ...of, because }]
    return [{ kind: 'unfilled', ...of, fills: waiting.length }]
  })
}

/** What of a variation does not hold: all of it where its base is not there, or own changes that wait. */
export function checkFollowing(layout: LayoutDocument, { waiting, baseless }: LayoutTrees): Finding[] {
  if (!isVariation(layout)) return []
  const of = { layout: layout.id, base: layout.follows.base }
  if (baseless) return [{ kind: 'baseless', ...of, because: baseless }]
  return waiting.length > 0 ? [{ kind: 'waiting', ...of, changes: waiting.length }] : []
}
