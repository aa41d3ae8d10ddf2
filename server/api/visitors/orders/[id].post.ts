import { fail } from '../../../../core/problems'
import type { OrderAnswer } from '../../../../shared/api/types'
import { mayUse, numberOf, readInput, studioHandler } from '../../../utils/studio'

/** Does something to an order: money goes back by whoever designs the site, or owns it. */
export default studioHandler<OrderAnswer>('writer', async ({ event, site, user }) => {
  const input = await readInput(event, 'order')
  if (['refund', 'cancel'].includes(input.does) && !mayUse(user, 'designer')) fail('role-lacking', { role: 'designer' })
  return site.shop.ledger.act(numberOf(event, 'id'), input, user.name)
})
