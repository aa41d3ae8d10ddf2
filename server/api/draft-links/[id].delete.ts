import { parameter, studioHandler } from '../../utils/studio'

/** Ends a link to the draft: whoever walks by it sees the site again. */
export default studioHandler('designer', async ({ event, site }) => {
  await site.walk.end(Number(parameter(event, 'id')) || 0)
  return { ended: true }
})
