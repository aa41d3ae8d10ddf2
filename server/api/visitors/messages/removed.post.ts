import { log } from '../../../services/log'
import { readInput, studioHandler } from '../../../utils/studio'

/** Takes messages away for good. */
export default studioHandler('writer', async ({ event, site, user }) => {
  const { ids } = await readInput(event, 'messagesRemoved')
  const removed = await site.messages.remove(ids)
  log('info', 'messages-removed', { count: removed, user: user.id })
  return { removed }
})
