import { parameter, studioHandler } from '../../utils/studio'

/** Takes a file away; it waits with what was removed. */
export default studioHandler('writer', async ({ event, site }) => {
  await site.media.setFileRemoved(parameter(event, 'id'), true)
  return { removed: true }
})
