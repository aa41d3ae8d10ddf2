import type { Edit } from '../../../../core/layouts'
import type { EditsInput } from '../../../../shared/api/types'
import { answerEdits } from '../../../utils/edits'
import { parameter, readInput, studioHandler } from '../../../utils/studio'

export default studioHandler('designer', async ({ event, site, user }) => {
  const { revision, edits } = await readInput<EditsInput<Edit>>(event, 'edits')
  return answerEdits(event, await site.draft.applyEdits(parameter(event, 'id'), revision, edits, user.name), revision)
})
