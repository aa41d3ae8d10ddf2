import type { StoredPictureAnswer } from '../../../shared/api/types'
import { sentFile, studioHandler } from '../../utils/studio'

/** Takes in a picture. */
export default studioHandler<StoredPictureAnswer>('writer', ({ event, site, user }) =>
  site.media.addPicture(sentFile(event), user.name),
)
