import type { Design } from '../../core/frames'
import type { Database } from '../database/open'
import { applyInTurn } from '../services/apply'
import { Content } from '../services/content'
import { readDraft } from '../services/draft'
import { planParcel, prepareImport } from '../services/import'
import { rehearse } from '../services/rehearse'
import type { Jobs } from './work'

/** The jobs over a database, in the thread that calls them. */
export function jobsOver(db: Database): Jobs {
  const site = async () => {
    const content = new Content(db)
    await content.reload()
    return content
  }
  const design = async () => (await readDraft(db)).design
  return {
    apply: applyInTurn,
    rehearse: async (input) => rehearse(JSON.parse(input.design) as Design, await site()),
    plan: async ({ parcel }) => planParcel(parcel, await design(), (await site()).catalogue),
    prepare: async (input) => prepareImport(input, await design(), (await site()).catalogue),
  }
}
