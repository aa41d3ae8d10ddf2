import { fail } from '../../core/problems'
import { counted } from '../../core/text'
import { findUser, updatePassword } from '../database/users'
import { log } from '../services/log'
import { refuseWeak } from '../services/password-policy'
import { readInput, studioHandler } from '../utils/studio'

/** A new password ends every other session of whoever it belongs to. */
export default studioHandler('member', async ({ event, site, user }) => {
  const { current, next } = await readInput(event, 'password')
  const minutes = site.attempts.begin(user.mail, 'signed in')
  if (minutes > 0) fail('sign-in-limited', { minutes: counted(minutes, 'minute') })
  const stored = await findUser(site.db, user.id)
  if (!(await site.passwords.verify(stored?.passwordHash, current))) fail('password-wrong')
  site.attempts.succeed(user.mail, 'signed in')
  refuseWeak(next, user)
  await updatePassword(site.db, user.id, await site.passwords.hash(next))
  await site.sessions.endOf(user.id, event.node.req.headers.cookie)
  log('info', 'password-changed', { user: user.id })
  return { changed: true }
})
