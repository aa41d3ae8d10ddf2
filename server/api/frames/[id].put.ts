import { fail } from '../../../core/problems'
import { frameSchema } from '../../../shared/api/schemas'
import { answerFrame } from '../../utils/frames'
import { parameter, readInput, studioHandler } from '../../utils/studio'

export default studioHandler('designer', async ({ event, site, user }) => {
  const { frame, revision } = await readInput(event, frameSchema)
  if (frame.id !== parameter(event, 'id')) fail('input-wrong', { why: 'The frame has another id than the address' })
  return answerFrame(event, await site.draft.putFrame(frame, revision, user.name), revision)
})
