import { getQuery } from 'h3'
import type { OrdersAnswer } from '../../../../shared/api/types'
import { ordersAsked } from '../../../utils/orders'
import { studioHandler } from '../../../utils/studio'

/** What was bought, the newest first, and what was taken lately. */
export default studioHandler<OrdersAnswer>('writer', ({ event, site }) =>
  site.shop.ledger.list(ordersAsked(getQuery(event))),
)
