import type { EntryAnswer } from '../../../shared/api/types'
import { contentChanged } from '../../services/installation'
import { readInput, studioHandler } from '../../utils/studio'

export default studioHandler<EntryAnswer>('writer', async ({ event, site, user }) => {
  const made = await site.entries.create(await readInput(event, 'newEntry'), user)
  await contentChanged(site)
  return made
})
