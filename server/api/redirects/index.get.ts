import type { RedirectsAnswer } from '../../../shared/api/types'
import { studioHandler } from '../../utils/studio'

export default studioHandler<RedirectsAnswer>('writer', async ({ site }) => ({
  redirects: await site.redirects.list(),
}))
