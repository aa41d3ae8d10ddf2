import { getQuery } from 'h3'
import type { MailAnswer } from '../../../../shared/api/types'
import { MAIL_STATES, countMails, readMails } from '../../../database/mails'
import { studioHandler } from '../../../utils/studio'

/** So many are told at once. */
const MOST = 100

/** How mail leaves, and what waits, was sent lately, or could not be sent and why. */
export default studioHandler<MailAnswer>('writer', async ({ event, site }) => {
  const query = getQuery(event)
  const state = MAIL_STATES.find((one) => one === query.state)
  const before = Number(query.before)
  const found = await readMails(site.db, {
    ...(state && { state }),
    ...(Number.isSafeInteger(before) && before > 0 && { before }),
    most: MOST + 1,
  })
  return {
    way: await site.mail.state(),
    counts: await countMails(site.db),
    mails: found.slice(0, MOST),
    more: found.length > MOST,
  }
})
