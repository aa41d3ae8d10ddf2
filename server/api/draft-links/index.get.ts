import type { DraftLink } from '../../../shared/api/types'
import { studioHandler } from '../../utils/studio'

/** The addresses by which the draft can be walked, without their secrets. */
export default studioHandler<DraftLink[]>('designer', ({ site }) => site.walk.list())
