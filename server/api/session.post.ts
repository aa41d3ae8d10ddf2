import { getRequestIP } from 'h3'
import { fail } from '../../core/problems'
import { signInSchema } from '../../shared/api/schemas'
import type { User } from '../../shared/api/types'
import { findUserByMail } from '../database/users'
import { log } from '../services/log'
import { openHandler, readInput } from '../utils/studio'

/** Verified when the mail address is unknown, so that the time taken does not tell. Made at the first use. */
let nobody: Promise<string> | null = null

export default openHandler<{ user: User }>(async ({ event, site }) => {
  const { mail, password } = await readInput(event, signInSchema)
  const place = getRequestIP(event) ?? 'unknown'
  const minutes = site.attempts.waitFor(mail, place)
  if (minutes > 0) fail('sign-in-limited', { minutes: `${minutes} minute${minutes === 1 ? '' : 's'}` })
  const found = await findUserByMail(site.db, mail)
  nobody ??= hashPassword('nobody has this password')
  const right = await verifyPassword(found?.passwordHash ?? (await nobody), password)
  if (!found || !right) {
    site.attempts.noteFailure(mail, place)
    log('warn', 'sign-in-failed', { place })
    return fail('sign-in-wrong')
  }
  site.attempts.noteSuccess(mail, place)
  await replaceUserSession(event, { user: { id: found.id } })
  log('info', 'signed-in', { user: found.id })
  return { user: { id: found.id, name: found.name, mail: found.mail, role: found.role } }
})
