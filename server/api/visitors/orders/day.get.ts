import { getQuery } from 'h3'
import { fail } from '../../../../core/problems'
import { isDay } from '../../../../core/time'
import type { DaySheetAnswer } from '../../../../shared/api/types'
import { studioHandler } from '../../../utils/studio'

/** Who comes on a day, and for what. */
export default studioHandler<DaySheetAnswer>('writer', ({ event, site }) => {
  const { day } = getQuery(event)
  if (!isDay(day)) return fail('asking-wrong', { why: 'A day is written as 2027-01-31' })
  return site.shop.ledger.day(String(day))
})
