import { compareDesigns } from '../../core/releases'
import { readDesign } from '../database/designs'
import type { Database } from '../database/open'
import { applyAndJudge } from '../services/apply'
import { Content } from '../services/content'
import { readDraft } from '../services/draft'
import { planParcel, prepareImport } from '../services/import'
import { unpackSite } from '../bring/site'
import { anybody, rehearse } from '../services/rehearse'
import { findRanked } from '../services/search'
import { planSite } from '../services/site-plan'
import type { Jobs } from './work'

/** The jobs over a database, in the thread that calls them. */
export function jobsOver(db: Database): Jobs {
  const withSite = async <T>(work: (content: Content) => T | Promise<T>): Promise<T> => {
    const content = new Content(db)
    try {
      await content.reload()
      return await work(content)
    } finally {
      content.end()
    }
  }
  const design = async () => (await readDraft(db)).design
  return {
    find: (wanted) => findRanked(db, wanted),
    apply: applyAndJudge,
    // What reads tables, feeds and Markdown is loaded when some come.
    sheet: async (input) => (await import('../bring/keep')).keepSheet(input),
    unpackSite,
    planSite: (input) => withSite(async (content) => planSite(input, content, await design())),
    rehearse: (input) =>
      withSite(async (content) => {
        const design = await readDesign(db, input.design, [], input.parts)
        const problem = rehearse(design, content)
        if (problem) return { problem }
        const before = await readDesign(db, input.before, [])
        return { pages: compareDesigns(before, design, content.catalogue, anybody()).pages.length }
      }),
    plan: ({ parcel }) => withSite(async ({ catalogue }) => planParcel(parcel, await design(), catalogue)),
    prepare: (input) => withSite(async ({ catalogue }) => prepareImport(input, await design(), catalogue)),
  }
}
