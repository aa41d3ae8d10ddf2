import type { ImportPlanAnswer } from '../../../shared/api/types'
import { readInput, studioHandler } from '../../utils/studio'

/** Says what importing would do, and changes nothing. */
export default studioHandler<ImportPlanAnswer>('designer', async ({ event, site }) =>
  site.parcels.plan((await readInput(event, 'import')).parcel),
)
