import { getQuery, setResponseHeaders } from 'h3'
import { ordersAsked } from '../../../utils/orders'
import { studioHandler } from '../../../utils/studio'

/** What was bought, as a table. */
export default studioHandler('writer', async ({ event, site }) => {
  setResponseHeaders(event, {
    'content-type': 'text/csv; charset=utf-8',
    'content-disposition': 'attachment; filename="orders.csv"',
    'cache-control': 'no-store',
  })
  return site.shop.ledger.table(ordersAsked(getQuery(event)))
})
