import type { LayoutState } from '../../../shared/api/types'
import { readInput, studioHandler } from '../../utils/studio'

export default studioHandler<LayoutState>('designer', async ({ event, site, user }) => {
  const made = await site.draft.createLayout(await readInput(event, 'newLayout'), user.name)
  site.live.changed('shelf')
  return made
})
