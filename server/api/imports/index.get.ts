import type { ImportsAnswer } from '../../../shared/api/types'
import { studioHandler } from '../../utils/studio'

/** What was brought along, latest first, and how far it is. */
export default studioHandler<ImportsAnswer>('designer', async ({ site }) => ({ imports: await site.bring.list() }))
