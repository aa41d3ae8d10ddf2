import type { ImportAnswer } from '../../../../shared/api/types'
import { parameter, readInput, studioHandler } from '../../../utils/studio'

/** Brings a site file in that was taken in before; how far it is, the imports tell. */
export default studioHandler<ImportAnswer>('owner', async ({ event, site, user }) =>
  site.siteFiles.run(parameter(event, 'id'), await readInput(event, 'siteFile'), user.name),
)
