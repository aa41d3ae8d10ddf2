import { getQuery } from 'h3'
import type { LostAnswer } from '../../../shared/api/types'
import { studioHandler } from '../../utils/studio'

const MOST_DAYS = 365

/** Addresses asked for that are no page, and searches without result, over so many days. */
export default studioHandler<LostAnswer>('writer', ({ event, site }) => {
  const days = Number(getQuery(event).days)
  return site.lost.report(Number.isInteger(days) && days > 0 ? Math.min(days, MOST_DAYS) : 30)
})
