import type { DaySheetAnswer } from '../../../../shared/api/types'
import { readInput, studioHandler } from '../../../utils/studio'

/** Says how many of those on a line of an order have come; gives the sheet of their day. */
export default studioHandler<DaySheetAnswer>('writer', async ({ event, site, user }) => {
  const input = await readInput(event, 'came')
  return site.shop.ledger.came(input, user.name)
})
