import type { DeadLinksAnswer } from '../../../shared/api/types'
import { deadLinks } from '../../services/dead-links'
import { studioHandler } from '../../utils/studio'

/** Links in the texts and fields of entries that lead to addresses where nothing stands. */
export default studioHandler<DeadLinksAnswer>('writer', async ({ site }) => ({
  dead: await deadLinks(site.db, site.content.catalogue),
}))
