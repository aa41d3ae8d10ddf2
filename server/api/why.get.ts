import { BARE_DESIGN } from '../../core/design'
import { getQuery } from 'h3'
import { fail } from '../../core/problems'
import { isRecord, shown } from '../../core/shape'
import type { WhyAnswer } from '../../shared/api/types'
import { readAsking } from '../services/asking'
import { explain, pageFor } from '../services/explain'
import { studioHandler } from '../utils/studio'

/** `?address=/visit&role=member&device=phone&at=2026-03-29&signed-in=yes&draft=yes`; parameters stand in the address. */
export default studioHandler<WhyAnswer>('writer', async ({ event, site }) => {
  const query: unknown = getQuery(event)
  const asked = (name: string): string | undefined => {
    const value = isRecord(query) && Object.hasOwn(query, name) ? query[name] : undefined
    const first: unknown = Array.isArray(value) ? value[0] : value
    return first === undefined ? undefined : shown(first, 4000)
  }
  const address = asked('address') || fail('asking-wrong', { why: 'Say which page: ?address=/visit' })
  const { catalogue } = site.content
  const { page, parameters } = pageFor(catalogue, address)
  const asking = { role: asked('role'), device: asked('device'), at: asked('at'), signedIn: asked('signed-in') }
  const request = readAsking(asking, parameters, catalogue.site.settings.timeZone)
  const draft = (asked('draft') ?? 'no') !== 'no'
  const design = draft ? await site.draft.design() : ((await site.releases.latest())?.design ?? BARE_DESIGN)
  return explain(design, draft ? 'draft' : 'released', catalogue, page, request)
})
