import { fail } from '../../core/problems'
import { openHandler } from '../utils/studio'

/** Whatever else is asked for below /api. */
export default openHandler(async ({ event }) => fail('address-unknown', { address: event.path.slice(0, 200) }))
