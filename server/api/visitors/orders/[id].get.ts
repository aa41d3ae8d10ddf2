import type { OrderAnswer } from '../../../../shared/api/types'
import { numberOf, studioHandler } from '../../../utils/studio'

/** One order with its story. */
export default studioHandler<OrderAnswer>('writer', ({ event, site }) => site.shop.ledger.one(numberOf(event, 'id')))
