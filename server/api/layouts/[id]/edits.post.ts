import type { Edit } from '../../../../core/layouts'
import { answerEdits } from '../../../utils/edits'
import { parameter, readEdits, studioHandler } from '../../../utils/studio'

export default studioHandler('designer', async ({ event, site, user }) => {
  const { revision, edits } = await readEdits<Edit>(event)
  const id = parameter(event, 'id')
  const result = await site.draft.applyEdits(id, revision, edits, user.name)
  if (result.kind === 'done') {
    site.live.edited(id, result.records, user.name)
    if (site.live.hears()) for (const one of await site.draft.showing(id)) site.live.baseChanged(one, id)
  }
  return answerEdits(event, result, revision)
})
