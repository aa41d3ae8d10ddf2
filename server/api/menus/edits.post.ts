import type { PlainEdit } from '../../../core/edits'
import { applyEdits } from '../../services/editing'
import { contentChanged } from '../../services/installation'
import { MENUS, MENUS_ID } from '../../services/kept'
import { answerEdits } from '../../utils/edits'
import { readEdits, studioHandler } from '../../utils/studio'

/** Edits of menus; visitors see what they come to with the next release. */
export default studioHandler('designer', async ({ event, site, user }) => {
  const { revision, edits } = await readEdits<PlainEdit>(event)
  const result = await applyEdits(site.db, site.aside, MENUS, MENUS_ID, revision, edits, user.name)
  if (result.kind === 'done') await contentChanged(site)
  return answerEdits(event, result, revision)
})
