import type { DesignAnswer } from '../../shared/api/types'
import { studioHandler } from '../utils/studio'

export default studioHandler<DesignAnswer>('writer', ({ site }) => site.draft.read())
