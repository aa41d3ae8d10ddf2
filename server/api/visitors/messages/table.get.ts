import { getQuery, setResponseHeaders } from 'h3'
import { studioHandler } from '../../../utils/studio'
import { askedOf } from '../../../utils/messages'

/** What visitors sent, as a table. */
export default studioHandler('writer', async ({ event, site }) => {
  const { state, form } = askedOf(getQuery(event))
  setResponseHeaders(event, {
    'content-type': 'text/csv; charset=utf-8',
    'content-disposition': 'attachment; filename="messages.csv"',
    'cache-control': 'no-store',
  })
  return site.messages.table({ ...(state && { state }), ...(form !== undefined && { form }) })
})
