import type { Plan } from '../../../../shared/api/types'
import { readInput, studioHandler } from '../../../utils/studio'

/** Sets a release for a moment, with what of the draft it takes as that stands now. */
export default studioHandler<Plan>('designer', async ({ event, site, user }) =>
  site.plans.set(await readInput(event, 'plan'), user.name),
)
