import { fail } from '../../core/problems'
import { log } from '../services/log'
import { mayUse, readInput, studioHandler } from '../utils/studio'

/** Ends sessions: one's own everywhere, or, by the owner's word, everybody's. */
export default studioHandler('member', async ({ event, site, user }) => {
  const { of } = await readInput(event, 'endSessions')
  if (of === 'everybody' && !mayUse(user, 'owner')) fail('role-lacking', { role: 'owner' })
  await (of === 'everybody' ? site.sessions.endAll() : site.sessions.endOf(user.id))
  log('info', 'sessions-ended', { of, user: user.id })
  return { ended: true }
})
