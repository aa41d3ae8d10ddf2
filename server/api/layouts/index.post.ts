import { newLayoutSchema } from '../../../shared/api/schemas'
import type { LayoutState } from '../../../shared/api/types'
import { readInput, studioHandler } from '../../utils/studio'

export default studioHandler<LayoutState>('designer', async ({ event, site, user }) =>
  site.draft.createLayout(await readInput(event, newLayoutSchema), user.name),
)
