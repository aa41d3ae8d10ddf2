import { parameter, studioHandler } from '../../../utils/studio'

/** Removed layouts are kept aside and can be put back; what followed one stands alone. */
export default studioHandler('designer', async ({ event, site, user }) => {
  const id = parameter(event, 'id')
  const alone = await site.draft.removeLayout(id, user.name)
  for (const mark of alone) site.live.moved(mark.id, mark.revision)
  site.live.removed(id, user.name)
  site.live.changed('shelf')
  return { removed: true }
})
