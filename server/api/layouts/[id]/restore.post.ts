import { parameter, studioHandler } from '../../../utils/studio'

export default studioHandler('designer', async ({ event, site, user }) => {
  await site.draft.setLayoutRemoved(parameter(event, 'id'), false, user.name)
  site.live.changed('shelf')
  return { removed: false }
})
