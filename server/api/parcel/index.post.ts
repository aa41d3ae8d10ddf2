import type { ImportPlanAnswer } from '../../../shared/api/types'
import { contentChanged } from '../../services/installation'
import { log } from '../../services/log'
import { readInput, studioHandler } from '../../utils/studio'

export default studioHandler<ImportPlanAnswer>('designer', async ({ event, site, user }) => {
  const taken = await site.parcels.import(await readInput(event, 'import'), user.name)
  // Page types and terms may have been created with it.
  await contentChanged(site)
  site.live.changed('shelf')
  log('info', 'parcel-imported', { things: taken.items.length, user: user.id })
  return taken
})
