import type { UsersAnswer } from '../../../../shared/api/types'
import { log } from '../../../services/log'
import { numberOf, studioHandler } from '../../../utils/studio'

export default studioHandler<UsersAnswer>('owner', async ({ event, site, user }) => {
  const id = numberOf(event, 'id')
  await site.users.remove(id, user.id)
  log('info', 'user-removed', { user: id, by: user.id })
  return site.users.list()
})
