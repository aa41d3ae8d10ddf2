import type { LayoutState, NewLayoutInput } from '../../../shared/api/types'
import { readInput, studioHandler } from '../../utils/studio'

export default studioHandler<LayoutState>('designer', async ({ event, site, user }) =>
  site.draft.createLayout(await readInput<NewLayoutInput>(event, 'newLayout'), user.name),
)
