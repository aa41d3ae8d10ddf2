import { parameter, studioHandler } from '../../../../utils/studio'

/** An entry as it was stored at a revision. */
export default studioHandler('writer', ({ event, site }) => {
  const revision = Number(parameter(event, 'revision'))
  return site.entries.state(parameter(event, 'id'), Number.isSafeInteger(revision) ? revision : -1)
})
