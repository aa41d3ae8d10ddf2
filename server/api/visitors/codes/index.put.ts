import type { CodesAnswer } from '../../../../shared/api/types'
import { log } from '../../../services/log'
import { readInput, studioHandler } from '../../../utils/studio'

/** Stores a discount code. */
export default studioHandler<CodesAnswer>('designer', async ({ event, site, user }) => {
  const code = await readInput(event, 'discountCode')
  const answer = await site.shop.codes.save(code)
  log('info', 'discount-code-stored', { code: code.code, user: user.id })
  return answer
})
