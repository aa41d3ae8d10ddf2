import { getQuery } from 'h3'
import { fail } from '../../../core/problems'
import { answerFrame } from '../../utils/frames'
import { parameter, studioHandler } from '../../utils/studio'

export default studioHandler('designer', async ({ event, site, user }) => {
  const revision = Number(getQuery(event).revision)
  if (!Number.isInteger(revision)) fail('revision-missing')
  return answerFrame(event, await site.draft.removeFrame(parameter(event, 'id'), revision, user.name), revision)
})
