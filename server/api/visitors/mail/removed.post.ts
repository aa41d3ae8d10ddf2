import { deleteMails } from '../../../database/mails'
import { readInput, studioHandler } from '../../../utils/studio'

/** Takes mails away for good, sent or not. */
export default studioHandler('writer', async ({ event, site }) => {
  const { ids } = await readInput(event, 'mails')
  return { removed: await deleteMails(site.db, ids) }
})
