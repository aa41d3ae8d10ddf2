import { removeSubscribers } from '../../../database/subscribers'
import { log } from '../../../services/log'
import { readInput, studioHandler } from '../../../utils/studio'

/** Takes some off their lists. */
export default studioHandler('writer', async ({ event, site, user }) => {
  const { ids } = await readInput(event, 'subscribers')
  const removed = await removeSubscribers(site.db, ids)
  log('info', 'subscribers-removed', { count: removed, user: user.id })
  return { removed }
})
