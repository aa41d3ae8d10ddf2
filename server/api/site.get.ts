import { send, setResponseHeaders } from 'h3'
import { takesGzip } from '../services/encoding'
import { studioHandler } from '../utils/studio'

export default studioHandler('writer', async ({ event, site }) => {
  const { plain, gzip } = await site.content.lightAnswer()
  const packed = takesGzip(event.node.req.headers['accept-encoding'])
  setResponseHeaders(event, {
    'content-type': 'application/json',
    vary: 'accept-encoding',
    ...(packed && { 'content-encoding': 'gzip' }),
  })
  return send(event, packed ? gzip : plain)
})
