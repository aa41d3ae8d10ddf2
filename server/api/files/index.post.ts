import { sentFile, studioHandler } from '../../utils/studio'

/** Takes in a document, a sound or a film. */
export default studioHandler('writer', ({ event, site, user }) => site.media.addFile(sentFile(event), user.name))
