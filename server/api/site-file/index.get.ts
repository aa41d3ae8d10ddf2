import { Readable } from 'node:stream'
import { setResponseHeaders } from 'h3'
import { slugOf } from '../../../core/addresses'
import { studioHandler } from '../../utils/studio'

/** The whole site as one file. It holds what is not public too, so it is for its owner. */
export default studioHandler('owner', async ({ event, site }) => {
  const name = slugOf(site.content.catalogue.site.settings.name) || 'site'
  setResponseHeaders(event, {
    'content-type': 'application/zip',
    'content-disposition': `attachment; filename="${name}.site.zip"`,
  })
  return Readable.from(site.siteFiles.write())
})
