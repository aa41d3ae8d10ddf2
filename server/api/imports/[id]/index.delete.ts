import type { ImportAnswer } from '../../../../shared/api/types'
import { parameter, studioHandler } from '../../../utils/studio'

/** Takes a whole import back. */
export default studioHandler<ImportAnswer>('designer', ({ event, site, user }) =>
  site.bring.undo(parameter(event, 'id'), user.name),
)
