import type { PlainEdit } from '../../../core/edits'
import type { EditsInput } from '../../../shared/api/types'
import { answerEdits } from '../../utils/edits'
import { readInput, studioHandler } from '../../utils/studio'

export default studioHandler('designer', async ({ event, site, user }) => {
  const { revision, edits } = await readInput<EditsInput<PlainEdit>>(event, 'edits')
  return answerEdits(event, await site.draft.applyHouseEdits(revision, edits, user.name), revision)
})
