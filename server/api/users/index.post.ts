import type { UsersAnswer } from '../../../shared/api/types'
import { log } from '../../services/log'
import { readInput, studioHandler } from '../../utils/studio'

export default studioHandler<UsersAnswer>('owner', async ({ event, site, user }) => {
  const input = await readInput(event, 'newUser')
  await site.users.add(input)
  log('info', 'user-added', { role: input.role, by: user.id })
  return site.users.list()
})
