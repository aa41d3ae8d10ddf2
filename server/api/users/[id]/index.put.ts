import type { UsersAnswer } from '../../../../shared/api/types'
import { log } from '../../../services/log'
import { numberOf, readInput, studioHandler } from '../../../utils/studio'

export default studioHandler<UsersAnswer>('owner', async ({ event, site, user }) => {
  const id = numberOf(event, 'id')
  const input = await readInput(event, 'user')
  await site.users.change(id, input)
  log('info', 'user-changed', { user: id, what: Object.keys(input).join(), by: user.id })
  return site.users.list()
})
