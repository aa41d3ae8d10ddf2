import { fail } from '../../../../core/problems'
import type { ContentAnswer } from '../../../../shared/api/types'
import { parameter, studioHandler } from '../../../utils/studio'

export default studioHandler<ContentAnswer>('writer', async ({ event, site }) => {
  const id = parameter(event, 'id')
  const entry = site.content.catalogue.entries.get(id) ?? fail('entry-unknown', { id })
  return { id, content: entry.content }
})
