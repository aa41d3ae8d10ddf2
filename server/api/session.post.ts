import { setResponseHeader } from 'h3'
import { fail } from '../../core/problems'
import { counted } from '../../core/text'
import type { User } from '../../shared/api/types'
import { findUserByMail, updatePassword } from '../database/users'
import { log } from '../services/log'
import { placeOf } from '../services/place'
import { openHandler, readInput } from '../utils/studio'

export default openHandler<{ user: User }>(async ({ event, site }) => {
  const { mail, password } = await readInput(event, 'signIn')
  const place = placeOf(event.node.req.headers, event.node.req.socket.remoteAddress)
  const minutes = site.attempts.begin(mail, place)
  if (minutes > 0) fail('sign-in-limited', { minutes: counted(minutes, 'minute') })
  const found = await findUserByMail(site.db, mail)
  const right = await site.passwords.verify(found?.passwordHash, password)
  if (!found || !right) {
    log('warn', 'sign-in-failed', { place })
    return fail('sign-in-wrong')
  }
  site.attempts.succeed(mail, place)
  if (site.passwords.isWeak(found.passwordHash)) {
    await updatePassword(site.db, found.id, await site.passwords.hash(password))
  }
  setResponseHeader(event, 'set-cookie', await site.sessions.begin(found.id))
  log('info', 'signed-in', { user: found.id })
  return { user: { id: found.id, name: found.name, mail: found.mail, role: found.role } }
})
