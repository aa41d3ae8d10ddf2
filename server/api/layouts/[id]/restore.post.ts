import { parameter, studioHandler } from '../../../utils/studio'

/** Puts back a layout that was removed, with what it follows. */
export default studioHandler('designer', async ({ event, site, user }) => {
  for (const { id, revision } of await site.draft.restoreLayout(parameter(event, 'id'), user.name))
    site.live.moved(id, revision)
  site.live.changed('shelf')
  return { removed: false }
})
