import type { BulkAnswer } from '../../../shared/api/types'
import { contentChanged } from '../../services/installation'
import { readInput, studioHandler } from '../../utils/studio'

/** Does the same to many entries. */
export default studioHandler<BulkAnswer>('writer', async ({ event, site, user }) => {
  const answer = await site.entries.change(await readInput(event, 'bulk'), user)
  if (answer.done > 0) await contentChanged(site)
  return answer
})
