import { getQuery } from 'h3'
import { fail } from '../../../../core/problems'
import type { EarlierAnswer } from '../../../../shared/api/types'
import { parameter, studioHandler } from '../../../utils/studio'

/** What was done to a layout before a revision, for who looks further back than a bench begins with. */
export default studioHandler<EarlierAnswer>('writer', ({ event, site }) => {
  const before = Number(getQuery(event).before)
  if (!Number.isSafeInteger(before) || before < 1) return fail('body-shape', { why: 'Say before which revision' })
  return site.draft.earlier(parameter(event, 'id'), before)
})
