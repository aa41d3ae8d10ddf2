import type { StatesAnswer } from '../../../../../shared/api/types'
import { parameter, studioHandler } from '../../../../utils/studio'

export default studioHandler<StatesAnswer>('writer', ({ event, site }) => site.entries.states(parameter(event, 'id')))
