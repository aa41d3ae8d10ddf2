import { type SelectQueryBuilder, sql } from 'kysely'
import type { Id } from '../../core/site'
import type { EntriesQuery } from '../../shared/api/types'
import type { Database } from './open'
import type { Tables } from './schema'

/** The table of entries, asked of the database: what is shown is read, and no more. */

type Query<O> = SelectQueryBuilder<Tables, 'entries', O>

const MOST_WORDS = 12

/** What is looked for by words, as the full-text search of SQLite takes it: each may be the beginning of one. */
export function wordsAsked(words: string): string {
  const found = words.match(/[\p{L}\p{N}]+/gu) ?? []
  return found
    .slice(0, MOST_WORDS)
    .map((word) => `"${word}"*`)
    .join(' ')
}

/** Whoever asks, and the moment on the clocks of the site (`YYYY-MM-DDTHH:MM`). */
export interface Asker {
  user: number
  now: string
}

const writtenIn = (user: number) => sql<boolean>`id in (select entry from working_copies where "user" = ${user})`

function inState<O>(query: Query<O>, state: EntriesQuery['state'], { user, now }: Asker): Query<O> {
  const there = query.where('removed', '=', Number(state === 'removed'))
  const published = there.where('published', '=', Number(state !== 'unpublished'))
  const begun = sql<boolean>`(since is null or since <= ${now})`
  const notOver = sql<boolean>`(until is null or until > ${now})`
  switch (state) {
    case 'published':
      return published.where(begun).where(notOver)
    case 'unpublished':
      return published
    case 'waiting':
      return published.where('since', '>', now)
    case 'over':
      return published.where('until', '<=', now)
    case 'writing':
      return there.where(writtenIn(user))
    default:
      return there
  }
}

function filtered<O>(query: Query<O>, asked: EntriesQuery, asker: Asker): Query<O> {
  const { type, state, term, person, picture, since, until, words } = asked
  let found = inState(query, state, asker)
  if (type) found = found.where('type', '=', type)
  if (term) found = found.where(sql<boolean>`id in (select entry from entry_terms where term = ${term})`)
  if (person) found = found.where('person', '=', person)
  if (picture) found = found.where(sql<boolean>`id in (select entry from entry_pictures where picture = ${picture})`)
  if (since) found = found.where('date', '>=', since)
  if (until) found = found.where('date', '<=', until)
  const match = wordsAsked(words ?? '')
  if (match)
    found = found.where(sql<boolean>`number in (select rowid from entry_words where entry_words match ${match})`)
  return found
}

const SORTS = { title: sql`title collate nocase`, changed: sql`changed_at`, date: sql`date`, type: sql`type` } as const

function sorted<O>(query: Query<O>, sort: string): Query<O> {
  const down = sort.startsWith('-')
  const by = SORTS[sort.replace('-', '') as keyof typeof SORTS]
  const way = down ? 'desc' : 'asc'
  // Of those alike the titles are in order.
  return query.orderBy(by, way).orderBy(SORTS.title).orderBy('id')
}

export interface TableRow {
  id: Id
  doc: string
  published: number
  revision: number
  changed_at: number
  changed_by: string
  writing: number
}

/** Rows of the table as they are asked for, and how many there are in all. */
export async function readTable(
  db: Database,
  asked: EntriesQuery,
  asker: Asker,
): Promise<{ rows: TableRow[]; total: number }> {
  const base = db.selectFrom('entries')
  const { total } = await filtered(
    base.select((e) => e.fn.countAll<number>().as('total')),
    asked,
    asker,
  ).executeTakeFirstOrThrow()
  const columns = ['id', 'doc', 'published', 'revision', 'changed_at', 'changed_by'] as const
  const writing = sql<number>`${writtenIn(asker.user)}`.as('writing')
  const rows = await sorted(filtered(base.select([...columns, writing]), asked, asker), asked.sort ?? '-changed')
    .limit(asked.most ?? 100)
    .offset(asked.offset ?? 0)
    .execute()
  return { rows, total }
}

/** The ids of all that is asked for, in order, up to a number. */
export async function readTableIds(db: Database, asked: EntriesQuery, asker: Asker, most: number): Promise<Id[]> {
  const rows = await sorted(filtered(db.selectFrom('entries').select('id'), asked, asker), asked.sort ?? '-changed')
    .limit(most)
    .execute()
  return rows.map((r) => r.id)
}
