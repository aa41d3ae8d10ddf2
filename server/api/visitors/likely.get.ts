import { getQuery } from 'h3'
import type { LikelyAnswer } from '../../../shared/api/types'
import { studioHandler } from '../../utils/studio'

/** The pages that somebody may have meant by an address. */
export default studioHandler<LikelyAnswer>('writer', async ({ event, site }) => {
  const { address } = getQuery(event)
  return site.lost.likely(typeof address === 'string' ? address.slice(0, 300) : '')
})
