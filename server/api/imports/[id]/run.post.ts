import type { ImportAnswer } from '../../../../shared/api/types'
import { parameter, readInput, studioHandler } from '../../../utils/studio'

/** Takes a file along; how far it is, is asked for. */
export default studioHandler<ImportAnswer>('designer', async ({ event, site, user }) =>
  site.bring.run(parameter(event, 'id'), await readInput(event, 'bring'), user.name),
)
