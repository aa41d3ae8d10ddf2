import type { FilesAnswer } from '../../../shared/api/types'
import { studioHandler } from '../../utils/studio'

/** Documents, sound and film. */
export default studioHandler<FilesAnswer>('writer', ({ site }) => site.media.listFiles())
