import { deadLinksOf } from '../../core/checks'
import type { Catalogue } from '../../core/catalogue'
import type { DeadLinksAnswer } from '../../shared/api/types'
import { readEntriesHolding } from '../database/entries'
import type { Database } from '../database/open'
import { takeTurns } from './turns'

/** So many dead links are told, and so many entries looked into at once. */
const MOST_DEAD = 200
const BATCH = 500

/** Links typed in published entries to addresses of this site where nothing stands: the first of them. */
export async function deadLinks(db: Database, catalogue: Catalogue): Promise<DeadLinksAnswer['dead']> {
  const found: DeadLinksAnswer['dead'] = []
  const turn = takeTurns()
  // An address of one's own begins so wherever it stands in a document.
  const begins = ['"/', `"${catalogue.site.settings.origin}/`]
  for (let after: number | null = 0; after !== null && found.length < MOST_DEAD;) {
    const { entries, last } = await readEntriesHolding(db, begins, after, BATCH)
    for (const entry of entries)
      for (const address of deadLinksOf(entry, catalogue)) found.push({ entry: entry.id, address })
    after = last
    await turn()
  }
  return found.slice(0, MOST_DEAD)
}
