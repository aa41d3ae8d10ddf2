import type { RemovedAnswer } from '../../../shared/api/types'
import { studioHandler } from '../../utils/studio'

export default studioHandler<RemovedAnswer>('writer', ({ site }) => site.draft.removed())
