import { getQuery } from 'h3'
import type { SheetAnswer } from '../../../shared/api/types'
import { sentFile, studioHandler } from '../../utils/studio'

/** Takes in a file of content; nothing of the site changes yet. */
export default studioHandler<SheetAnswer>('designer', ({ event, site }) => {
  const { encoding } = getQuery(event)
  return site.bring.receive(sentFile(event), typeof encoding === 'string' ? encoding.slice(0, 40) : undefined)
})
