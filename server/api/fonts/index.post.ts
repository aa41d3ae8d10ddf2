import { sentFile, studioHandler } from '../../utils/studio'

/** Takes in a font file, judged by what is in it. */
export default studioHandler('designer', ({ event, site, user }) => site.media.addFont(sentFile(event), user.name))
