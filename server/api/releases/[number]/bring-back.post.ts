import { fail } from '../../../../core/problems'
import type { BringBackAnswer, BringBackInput } from '../../../../shared/api/types'
import { log } from '../../../services/log'
import { parameter, readInput, studioHandler } from '../../../utils/studio'

/** Brings a release, or one thing of it, back into the draft; visitors see it after the next release. */
export default studioHandler<BringBackAnswer>('designer', async ({ event, site, user }) => {
  const { what } = await readInput<BringBackInput>(event, 'bringBack')
  const number = parameter(event, 'number')
  if (!/^\d{1,9}$/.test(number)) fail('release-unknown', { number })
  const changes = await site.releases.bringBack(Number(number), what, user.name)
  log('info', 'brought-back', { number, what: what.kind, changes: changes.length, user: user.id })
  return { changes }
})
