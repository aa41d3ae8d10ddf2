import { getQuery, setResponseHeaders } from 'h3'
import { fail } from '../../../core/problems'
import { EXPORTS, type ExportFormat } from '../../services/export'
import { studioHandler } from '../../utils/studio'

/** All entries of a page type, as a file. */
export default studioHandler('writer', async ({ event, site }) => {
  const { type, format } = getQuery(event)
  if (!EXPORTS.includes(format as ExportFormat))
    fail('asking-wrong', { why: `A format is one of ${EXPORTS.join(', ')}` })
  const { bytes, mime, fileName } = await site.export.make(String(type ?? ''), format as ExportFormat)
  setResponseHeaders(event, {
    'content-type': mime,
    'content-disposition': `attachment; filename*=UTF-8''${encodeURIComponent(fileName)}`,
    'x-content-type-options': 'nosniff',
  })
  return bytes
})
