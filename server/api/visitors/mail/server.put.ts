import { log } from '../../../services/log'
import { readInput, studioHandler } from '../../../utils/studio'

/** Sets the server by which mail leaves, or none. Its password never comes back. */
export default studioHandler('owner', async ({ event, site, user }) => {
  const { server, password } = await readInput(event, 'mailServer')
  await site.mail.set(server, password)
  log('info', 'mail-server-set', { host: server?.host ?? null, user: user.id })
  // What waits is tried by it at once.
  await site.outbox.hurry()
  return { way: await site.mail.state() }
})
