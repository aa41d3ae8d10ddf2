import type { UsersAnswer } from '../../../../shared/api/types'
import { numberOf, studioHandler } from '../../../utils/studio'

/** Signs somebody out everywhere. */
export default studioHandler<UsersAnswer>('owner', async ({ event, site }) => {
  await site.users.endSessions(numberOf(event, 'id'))
  return site.users.list()
})
