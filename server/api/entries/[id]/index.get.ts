import type { EntryAnswer } from '../../../../shared/api/types'
import { parameter, studioHandler } from '../../../utils/studio'

export default studioHandler<EntryAnswer>('writer', ({ event, site }) => site.entries.read(parameter(event, 'id')))
