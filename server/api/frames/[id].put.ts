import { checkFrame, refuseTests } from '../../../core/design'
import { ProblemError, fail, failFirst } from '../../../core/problems'
import { answerFrame } from '../../utils/frames'
import { parameter, readInput, studioHandler } from '../../utils/studio'

export default studioHandler('designer', async ({ event, site, user }) => {
  const { frame, revision } = await readInput(event, 'frame')
  if (frame.id !== parameter(event, 'id')) fail('other-id', { id: frame.id })
  failFirst(checkFrame(frame))
  const unsuited = refuseTests(frame, site.content.catalogue)
  if (unsuited) throw new ProblemError(unsuited)
  return answerFrame(event, await site.draft.putFrame(frame, revision, user.name), revision)
})
