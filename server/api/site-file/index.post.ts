import type { SiteFileAnswer } from '../../../shared/api/types'
import { sentFile, studioHandler } from '../../utils/studio'

/** Takes in a site file and says what it would do; nothing of the site changes yet. */
export default studioHandler<SiteFileAnswer>('owner', ({ event, site }) => site.siteFiles.receive(sentFile(event)))
