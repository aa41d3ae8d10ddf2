import type { PlainEdit } from '../../../core/edits'
import { applyEdits } from '../../services/editing'
import { contentChanged } from '../../services/installation'
import { STRUCTURE, STRUCTURE_ID } from '../../services/kept'
import { answerEdits } from '../../utils/edits'
import { readEdits, studioHandler } from '../../utils/studio'

export default studioHandler('designer', async ({ event, site, user }) => {
  const { revision, edits } = await readEdits<PlainEdit>(event)
  const result = await applyEdits(site.db, site.aside, STRUCTURE, STRUCTURE_ID, revision, edits, user.name)
  if (result.kind === 'done') await contentChanged(site)
  return answerEdits(event, result, revision)
})
