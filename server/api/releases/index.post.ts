import type { ReleaseNote } from '../../../shared/api/types'
import { log } from '../../services/log'
import { readInput, studioHandler } from '../../utils/studio'

export default studioHandler<ReleaseNote>('designer', async ({ event, site, user }) => {
  const { note = '', leave } = await readInput(event, 'release')
  const { release, design } = await site.releases.release(note, user.name, leave)
  await site.published.show(design, release.number)
  log('info', 'released', { number: release.number, changes: release.changes.length, user: user.id })
  return release
})
