import type { StoredPictureAnswer } from '../../../../shared/api/types'
import { parameter, sentFile, studioHandler } from '../../../utils/studio'

/** Puts another file in the place of a picture's. */
export default studioHandler<StoredPictureAnswer>('writer', ({ event, site, user }) =>
  site.media.replacePicture(parameter(event, 'id'), sentFile(event), user.name),
)
