import { getQuery } from 'h3'
import { fail } from '../../../core/problems'
import { refuse } from '../../../core/shape'
import { asSentence } from '../../../core/text'
import { entriesQuerySchema } from '../../../shared/api/schemas'
import type { EntriesAnswer, EntriesQuery } from '../../../shared/api/types'
import { studioHandler } from '../../utils/studio'

const NUMBERS = new Set(['offset', 'most'])

/** The parameters as they are meant: numbers as numbers, and nothing where nothing stands. */
const meant = (asked: Record<string, unknown>): Record<string, unknown> =>
  Object.fromEntries(
    Object.entries(asked)
      .filter(([, value]) => value !== '')
      .map(([name, value]) => [name, NUMBERS.has(name) && value !== undefined ? Number(value) : value]),
  )

/** A table of entries; with `ids`, the ids of all that are asked for. */
export default studioHandler<EntriesAnswer | { ids: string[] }>('writer', async ({ event, site, user }) => {
  const { ids, ...asked } = getQuery(event)
  const query = meant(asked)
  const why = refuse(entriesQuerySchema, query)
  if (why !== null) fail('asking-wrong', { why: asSentence(why) })
  return ids === undefined
    ? site.table.read(query as EntriesQuery, user.id)
    : { ids: await site.table.ids(query as EntriesQuery, user.id) }
})
