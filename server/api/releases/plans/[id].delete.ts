import { parameter, studioHandler } from '../../../utils/studio'

/** A release that was set for a moment is not made. */
export default studioHandler('designer', async ({ event, site }) => {
  await site.plans.cancel(Number(parameter(event, 'id')) || 0)
  return { cancelled: true }
})
