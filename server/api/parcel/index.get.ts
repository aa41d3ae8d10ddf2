import { setResponseHeader } from 'h3'
import type { Parcel } from '../../../core/formats'
import { slugOf } from '../../../core/site'
import { studioHandler } from '../../utils/studio'

export default studioHandler<Parcel>('designer', async ({ event, site }) => {
  const parcel = await site.parcels.export()
  setResponseHeader(event, 'content-disposition', `attachment; filename="${slugOf(parcel.from) || 'site'}.parcel.json"`)
  return parcel
})
