import { createReadStream } from 'node:fs'
import { sendStream, setResponseHeaders } from 'h3'
import { fail } from '../../../../../../core/problems'
import { readSentFile } from '../../../../../database/messages'
import { numberOf, parameter, studioHandler } from '../../../../../utils/studio'

/** A file that came with a message: to be stored, and never shown as a page. */
export default studioHandler('writer', async ({ event, site }) => {
  const file = await readSentFile(site.db, numberOf(event, 'id'), parameter(event, 'hash'))
  if (!file || !(await site.sent.has(file.hash))) return fail('message-unknown')
  setResponseHeaders(event, {
    'content-type': 'application/octet-stream',
    'content-disposition': `attachment; filename*=UTF-8''${encodeURIComponent(file.name)}`,
    'content-security-policy': "default-src 'none'; sandbox",
    'x-content-type-options': 'nosniff',
    'cache-control': 'no-store',
  })
  return sendStream(event, createReadStream(site.sent.path(file.hash)))
})
