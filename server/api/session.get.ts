import { getRequestHost } from 'h3'
import type { SessionAnswer } from '../../shared/api/types'
import { protocolOf } from '../services/place'
import { canKeepSession } from '../utils/session'
import { currentUser, openHandler } from '../utils/studio'

export default openHandler<SessionAnswer>(async ({ event, site }) => ({
  user: await currentUser(event, site),
  site: site.content.catalogue.site.settings.name,
  founded: !site.founding.open,
  secure: canKeepSession(protocolOf(event.node.req.headers), getRequestHost(event)),
}))
