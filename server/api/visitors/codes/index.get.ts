import type { CodesAnswer } from '../../../../shared/api/types'
import { studioHandler } from '../../../utils/studio'

/** All discount codes, and how often each was used. */
export default studioHandler<CodesAnswer>('writer', ({ site }) => site.shop.codes.list())
