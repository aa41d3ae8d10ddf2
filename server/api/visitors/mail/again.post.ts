import { readInput, studioHandler } from '../../../utils/studio'

/** Has mails tried at once. */
export default studioHandler('writer', async ({ event, site }) => {
  const { ids } = await readInput(event, 'mails')
  return { tried: await site.outbox.retry(ids) }
})
