import { fail } from '../../../../core/problems'
import type { BringBackAnswer } from '../../../../shared/api/types'
import { log } from '../../../services/log'
import { parameter, readInput, studioHandler } from '../../../utils/studio'

/** Brings a release, or one thing of it, back into the draft; visitors see it after the next release, or at once. */
export default studioHandler<BringBackAnswer>('designer', async ({ event, site, user }) => {
  const { what, atOnce } = await readInput(event, 'bringBack')
  const number = parameter(event, 'number')
  if (!/^\d{1,9}$/.test(number)) fail('release-unknown', { number })
  if (atOnce) {
    const { changes, released } = await site.releases.bringBackAtOnce(Number(number), what, user.name)
    if (released) await site.published.show(released.design, released.release.number)
    log('info', 'brought-back-at-once', { number, what: what.kind, user: user.id })
    return { changes }
  }
  const changes = await site.releases.bringBack(Number(number), what, user.name)
  log('info', 'brought-back', { number, what: what.kind, changes: changes.length, user: user.id })
  return { changes }
})
