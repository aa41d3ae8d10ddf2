import { getQuery, setResponseHeaders } from 'h3'
import { subscribersAsked } from '../../../utils/subscribers'
import { studioHandler } from '../../../utils/studio'

/** Who is on a list, as a table. */
export default studioHandler('writer', async ({ event, site }) => {
  setResponseHeaders(event, {
    'content-type': 'text/csv; charset=utf-8',
    'content-disposition': 'attachment; filename="newsletter.csv"',
    'cache-control': 'no-store',
  })
  return site.newsletters.table(subscribersAsked(getQuery(event)).list)
})
