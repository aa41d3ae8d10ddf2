import type { PlainEdit } from '../../../core/edits'
import { answerEdits } from '../../utils/edits'
import { readEdits, studioHandler } from '../../utils/studio'

export default studioHandler('designer', async ({ event, site, user }) => {
  const { revision, edits } = await readEdits<PlainEdit>(event)
  return answerEdits(event, await site.draft.applyHouseEdits(revision, edits, user.name), revision)
})
