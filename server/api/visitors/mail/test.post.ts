import { readInput, studioHandler } from '../../../utils/studio'

/** Tries a server with one mail to whoever asks, before it is set. */
export default studioHandler('owner', async ({ event, site, user }) => {
  const { server, password } = await readInput(event, 'mailTest')
  const reached = await site.mail.tried(server, password)
  const why = reached
    ? await site.outbox.test(reached, user.mail, site.content.catalogue.site.settings.name)
    : 'No mail server is set, or its password has to be set anew.'
  return { to: user.mail, why }
})
