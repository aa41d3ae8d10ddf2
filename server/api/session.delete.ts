import { setResponseHeader } from 'h3'
import { openHandler } from '../utils/studio'

/** Signs out: the session ends on the server, and with it every copy of its cookie. */
export default openHandler(async ({ event, site }) => {
  setResponseHeader(event, 'set-cookie', await site.sessions.end(event.node.req.headers.cookie))
  return { user: null }
})
