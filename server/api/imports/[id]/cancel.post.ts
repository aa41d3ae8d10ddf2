import { parameter, studioHandler } from '../../../utils/studio'

/** Stops an import that is running; what it has stored stays, and can be undone. */
export default studioHandler('designer', async ({ event, site }) => {
  site.bring.cancel(parameter(event, 'id'))
  return { cancelled: true }
})
