import { getQuery } from 'h3'
import type { CompareAnswer } from '../../../shared/api/types'
import { studioHandler } from '../../utils/studio'

/** Two designs side by side, each the number of a release, or `draft`: `?before=3&after=draft`. */
export default studioHandler<CompareAnswer>('writer', ({ event, site }) => {
  const { before, after } = getQuery(event)
  return site.releases.compare(String(before ?? ''), String(after ?? ''))
})
