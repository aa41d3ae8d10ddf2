import type { LayoutAnswer } from '../../../../shared/api/types'
import { parameter, studioHandler } from '../../../utils/studio'

export default studioHandler<LayoutAnswer>('writer', ({ event, site }) => site.draft.layout(parameter(event, 'id')))
