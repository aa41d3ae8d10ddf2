import { contentChanged } from '../services/installation'
import { readInput, studioHandler } from '../utils/studio'

/** Changes some settings of the site. */
export default studioHandler('owner', async ({ event, site }) => {
  const { change } = await readInput(event, 'settings')
  await site.settings.change(change)
  await contentChanged(site)
  return { changed: true }
})
