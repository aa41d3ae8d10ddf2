import { getQuery, setResponseHeader } from 'h3'
import type { Parcel } from '../../../core/formats'
import { slugOf } from '../../../core/addresses'
import { studioHandler } from '../../utils/studio'

export default studioHandler<Parcel>('designer', async ({ event, site }) => {
  const { layouts, alone } = getQuery(event)
  const chosen = typeof layouts === 'string' ? { layouts: layouts.split(','), alone: alone === 'yes' } : undefined
  const parcel = await site.parcels.export(chosen)
  setResponseHeader(event, 'content-disposition', `attachment; filename="${slugOf(parcel.from) || 'site'}.parcel.json"`)
  return parcel
})
