import type { NewDraftLink } from '../../../shared/api/types'
import { log } from '../../services/log'
import { readInput, studioHandler } from '../../utils/studio'

/** Makes an address by which the draft can be walked, also by somebody who does not sign in. */
export default studioHandler<NewDraftLink>('designer', async ({ event, site, user }) => {
  const { hours } = await readInput(event, 'draftLink')
  const link = await site.walk.make(hours, user.name)
  log('info', 'draft-link-made', { user: user.id, ends: link.endsAt })
  return link
})
