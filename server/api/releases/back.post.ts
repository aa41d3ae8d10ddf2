import type { ReleaseNote } from '../../../shared/api/types'
import { log } from '../../services/log'
import { studioHandler } from '../../utils/studio'

/** Takes the last release back: visitors see the one before at once. */
export default studioHandler<ReleaseNote>('designer', async ({ site, user }) => {
  const { release, design } = await site.releases.takeBack(user.name)
  await site.published.show(design, release.number)
  log('info', 'taken-back', { number: release.number, user: user.id })
  return release
})
