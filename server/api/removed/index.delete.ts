import { log } from '../../services/log'
import { studioHandler } from '../../utils/studio'

/** Clears what was removed, for good. */
export default studioHandler('owner', async ({ site, user }) => {
  const cleared =
    (await site.draft.clearRemoved()) + (await site.entries.clearRemoved()) + (await site.media.clearRemoved())
  log('info', 'removed-cleared', { things: cleared, user: user.id })
  return { cleared }
})
