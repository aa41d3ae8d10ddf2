import { getQuery } from 'h3'
import type { MessagesAnswer } from '../../../../shared/api/types'
import { studioHandler } from '../../../utils/studio'
import { askedOf } from '../../../utils/messages'

/** What visitors sent, the newest first. */
export default studioHandler<MessagesAnswer>('writer', ({ event, site }) =>
  site.messages.list(askedOf(getQuery(event))),
)
