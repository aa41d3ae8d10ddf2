import { getQuery } from 'h3'
import type { SubscribersAnswer } from '../../../../shared/api/types'
import { countSubscribers, readSubscribers } from '../../../database/subscribers'
import { subscribersAsked } from '../../../utils/subscribers'
import { studioHandler } from '../../../utils/studio'

const MOST = 200

/** Who asked for a newsletter, the newest first. */
export default studioHandler<SubscribersAnswer>('writer', async ({ event, site }) => {
  const found = await readSubscribers(site.db, { ...subscribersAsked(getQuery(event)), most: MOST + 1 })
  return { subscribers: found.slice(0, MOST), more: found.length > MOST, counts: await countSubscribers(site.db) }
})
