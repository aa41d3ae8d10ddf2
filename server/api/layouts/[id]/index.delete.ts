import { parameter, studioHandler } from '../../../utils/studio'

/** Removed layouts are kept aside and can be put back. */
export default studioHandler('designer', async ({ event, site, user }) => {
  await site.draft.setLayoutRemoved(parameter(event, 'id'), true, user.name)
  return { removed: true }
})
