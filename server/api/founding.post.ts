import { setResponseHeader } from 'h3'
import { fail } from '../../core/problems'
import { counted } from '../../core/text'
import type { User } from '../../shared/api/types'
import { findUserByMail } from '../database/users'
import { contentChanged } from '../services/installation'
import { log } from '../services/log'
import { placeOf } from '../services/place'
import { openHandler, readInput } from '../utils/studio'

/** Founds the site of this installation and signs its owner in. Guesses at the code are limited as those at passwords. */
export default openHandler<{ user: User }>(async ({ event, site }) => {
  const input = await readInput(event, 'founding')
  const place = placeOf(event.node.req.headers, event.node.req.socket.remoteAddress)
  const minutes = site.attempts.begin('founding', place)
  if (minutes > 0) fail('sign-in-limited', { minutes: counted(minutes, 'minute') })
  await site.founding.found(input)
  site.attempts.succeed('founding', place)
  await contentChanged(site)
  const { id, name, mail, role } = (await findUserByMail(site.db, input.owner.mail))!
  setResponseHeader(event, 'set-cookie', await site.sessions.begin(id))
  log('info', 'founded', { user: id })
  return { user: { id, name, mail, role } }
})
