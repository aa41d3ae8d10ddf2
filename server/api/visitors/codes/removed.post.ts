import type { CodesAnswer } from '../../../../shared/api/types'
import { log } from '../../../services/log'
import { readInput, studioHandler } from '../../../utils/studio'

/** Takes a discount code away that nobody has used. */
export default studioHandler<CodesAnswer>('designer', async ({ event, site, user }) => {
  const { code } = await readInput(event, 'codeRemoved')
  const answer = await site.shop.codes.remove(code)
  log('info', 'discount-code-removed', { code, user: user.id })
  return answer
})
