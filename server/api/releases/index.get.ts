import type { ReleasesAnswer } from '../../../shared/api/types'
import { studioHandler } from '../../utils/studio'

export default studioHandler<ReleasesAnswer>('writer', async ({ site }) => ({
  ...(await site.releases.list()),
  faults: site.published.faults,
  plans: await site.plans.list(),
}))
