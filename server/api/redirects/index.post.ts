import type { RedirectsAnswer } from '../../../shared/api/types'
import { contentChanged } from '../../services/installation'
import { readInput, studioHandler } from '../../utils/studio'

/** Leads addresses elsewhere, or nowhere any more; all of it or nothing. */
export default studioHandler<RedirectsAnswer>('designer', async ({ event, site }) => {
  await site.redirects.change(await readInput(event, 'redirects'))
  await contentChanged(site)
  return { redirects: await site.redirects.list() }
})
