import { getQuery, send, setResponseHeaders } from 'h3'
import { takesGzip } from '../services/encoding'
import { studioHandler } from '../utils/studio'

/** The whole site; with `since`, a version that was read before, only what has changed since, where that is known. */
export default studioHandler('writer', async ({ event, site }) => {
  const since = getQuery(event).since
  const changes = typeof since === 'string' && /^\d{1,15}$/.test(since) && (await site.content.changesSince(+since))
  if (changes) return changes
  const { plain, gzip } = await site.content.lightAnswer()
  const packed = takesGzip(event.node.req.headers['accept-encoding'])
  setResponseHeaders(event, {
    'content-type': 'application/json',
    vary: 'accept-encoding',
    ...(packed && { 'content-encoding': 'gzip' }),
  })
  return send(event, packed ? gzip : plain)
})
