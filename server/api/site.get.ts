import { send, setResponseHeaders } from 'h3'
import { studioHandler } from '../utils/studio'

export default studioHandler('writer', async ({ event, site }) => {
  const { plain, gzip } = site.content.lightAnswer()
  const packed = /\bgzip\b/.test(String(event.node.req.headers['accept-encoding'] ?? ''))
  setResponseHeaders(event, {
    'content-type': 'application/json',
    vary: 'accept-encoding',
    ...(packed && { 'content-encoding': 'gzip' }),
  })
  return send(event, packed ? gzip : plain)
})
