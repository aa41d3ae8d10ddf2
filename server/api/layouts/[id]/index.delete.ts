import { parameter, studioHandler } from '../../../utils/studio'

/** Removed layouts are kept aside and can be put back. */
export default studioHandler('designer', async ({ event, site, user }) => {
  const id = parameter(event, 'id')
  await site.draft.setLayoutRemoved(id, true, user.name)
  site.live.removed(id, user.name)
  site.live.changed('shelf')
  return { removed: true }
})
