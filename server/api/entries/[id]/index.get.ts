import type { OpenEntryAnswer } from '../../../../shared/api/types'
import { parameter, studioHandler } from '../../../utils/studio'

export default studioHandler<OpenEntryAnswer>('writer', ({ event, site, user }) =>
  site.entries.open(parameter(event, 'id'), user),
)
