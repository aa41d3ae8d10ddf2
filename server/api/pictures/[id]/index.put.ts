import type { StoredPictureAnswer } from '../../../../shared/api/types'
import { parameter, readInput, studioHandler } from '../../../utils/studio'

/** What is said of a picture. */
export default studioHandler<StoredPictureAnswer>('writer', async ({ event, site }) =>
  site.media.describe(parameter(event, 'id'), await readInput(event, 'picture')),
)
