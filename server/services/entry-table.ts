import type { Entry, Id } from '../../core/model'
import { clockIn } from '../../core/time'
import type { EntriesAnswer, EntriesQuery, EntryRow } from '../../shared/api/types'
import { type Asker, type TableRow, readTable, readTableIds } from '../database/entry-table'
import type { Database } from '../database/open'
import { readSound } from '../database/sound'
import type { Content } from './content'

/** As many as can be taken in hand at once. */
const MOST_IDS = 5000

/** Entries as a table: found, sorted and counted by the database. */
export class EntryTable {
  constructor(
    private readonly db: Database,
    private readonly content: Pick<Content, 'catalogue'>,
  ) {}

  private asker(user: number): Asker {
    return { user, now: clockIn(this.content.catalogue.site.settings.timeZone, Date.now()) }
  }

  async read(query: EntriesQuery, user: number): Promise<EntriesAnswer> {
    const { rows, total } = await readTable(this.db, query, this.asker(user))
    return { rows: rows.flatMap((row) => this.rowOf(row)), total }
  }

  ids(query: EntriesQuery, user: number): Promise<Id[]> {
    return readTableIds(this.db, query, this.asker(user), MOST_IDS)
  }

  /** What cannot be read is no row; the checks name it. */
  private rowOf({ id, doc, judged, published, revision, changed_at, changed_by, writing }: TableRow): EntryRow[] {
    const entry = readSound<Entry>('entry', id, doc, [], judged)
    if (!entry) return []
    const { type, title, slug, date, person, terms, from = null, until = null } = entry
    const address = this.content.catalogue.addressOf(id)
    const known = { id, type, title, slug, date, person, terms, from, until, address }
    return [
      {
        ...known,
        published: published === 1,
        revision,
        changedAt: changed_at,
        changedBy: changed_by,
        writing: writing === 1,
      },
    ]
  }
}
