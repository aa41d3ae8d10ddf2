import { setResponseStatus } from 'h3'
import { fail, problem } from '../../../../core/problems'
import type { EntryAnswer, StaleEntryAnswer } from '../../../../shared/api/types'
import { contentChanged } from '../../../services/installation'
import { parameter, readInput, studioHandler } from '../../../utils/studio'

export default studioHandler<EntryAnswer | StaleEntryAnswer>('writer', async ({ event, site, user }) => {
  const { entry, revision } = await readInput(event, 'entry')
  if (entry.id !== parameter(event, 'id')) fail('other-id', { id: entry.id })
  const result = await site.entries.put(entry, revision, user)
  if ('stale' in result) {
    setResponseStatus(event, 409)
    return { problem: problem('stale-revision', { revision }), ...result.stale }
  }
  await contentChanged(site)
  return result.stored
})
