import { getQuery } from 'h3'
import type { PicturesAnswer } from '../../../shared/api/types'
import { studioHandler } from '../../utils/studio'

/** All pictures; with `removed`, those that were removed. */
export default studioHandler<PicturesAnswer>('writer', ({ event, site }) =>
  getQuery(event).removed === undefined ? site.media.list() : site.media.removed(),
)
