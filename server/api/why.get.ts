import { getQuery } from 'h3'
import { fail } from '../../core/problems'
import type { WhyAnswer } from '../../shared/api/types'
import { readAsking } from '../services/asking'
import { explain, pageFor } from '../services/explain'
import { studioHandler } from '../utils/studio'

/** `?address=/visit&role=member&device=phone&at=2026-03-29&signed-in=yes&draft=yes`; parameters stand in the address. */
export default studioHandler<WhyAnswer>('writer', async ({ event, site }) => {
  const query = Object.fromEntries(
    Object.entries(getQuery(event)).map(([k, v]) => [k, Array.isArray(v) ? v[0] : v]),
  ) as Record<string, string>
  if (!query.address) fail('input-wrong', { why: 'Say which page: ?address=/visit' })
  const { catalogue } = site.content
  const { page, parameters } = pageFor(catalogue, query.address!)
  const request = readAsking(
    { role: query.role, device: query.device, at: query.at, signedIn: query['signed-in'] },
    parameters,
  )
  const draft = query.draft !== undefined && query.draft !== 'no'
  const released = draft ? null : await site.releases.latestDesign()
  const design =
    released ??
    (draft
      ? await site.draft.design()
      : { format: 1 as const, layouts: [], frames: [], house: (await site.draft.design()).house })
  return explain(design, draft ? 'draft' : 'released', catalogue, page, request)
})
