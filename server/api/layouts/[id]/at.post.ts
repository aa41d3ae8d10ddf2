import { parameter, readInput, studioHandler } from '../../../utils/studio'

/** A window says what of a layout it has in hand, for the others to see. */
export default studioHandler('writer', async ({ event, site }) => {
  const { window, node } = await readInput(event, 'liveAt')
  site.live.at(parameter(event, 'id'), window, node)
  return { told: true }
})
