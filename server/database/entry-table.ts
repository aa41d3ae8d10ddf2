import { type SelectQueryBuilder, sql } from 'kysely'
import type { Id } from '../../core/model'
import type { EntriesQuery } from '../../shared/api/types'
import type { Database } from './open'
import type { Tables } from './schema'

/** The table of entries, asked of the database: what is shown is read, and no more. */

type Query<O> = SelectQueryBuilder<Tables, 'entry_facts', O>

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

const writtenIn = (user: number) => sql<boolean>`entry in (select entry from working_copies where "user" = ${user})`

function inState<O>(query: Query<O>, state: EntriesQuery['state'], { user, now }: Asker): Query<O> {
  const published = query.where('published', '=', Number(state !== 'unpublished'))
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
      return query.where(writtenIn(user))
    default:
      return query
  }
}

/**
 * What is asked for. `few` says that few are found by words: then they are looked at one by one, and all are sorted;
 * else those that are there are gone through in their order until enough are found (the sign keeps SQLite from that).
 */
function filtered<O>(query: Query<O>, asked: EntriesQuery, asker: Asker, few: boolean): Query<O> {
  const { type, state, term, person, picture, since, until, words } = asked
  const removed = Number(state === 'removed')
  const there = few ? sql<boolean>`+removed = ${removed}` : sql<boolean>`removed = ${removed}`
  let found = inState(query.where(there), state, asker)
  if (type) found = found.where('type', '=', type)
  if (term) found = found.where(sql<boolean>`entry in (select entry from entry_terms where term = ${term})`)
  if (person) found = found.where('person', '=', person)
  if (picture) found = found.where(sql<boolean>`entry in (select entry from entry_pictures where picture = ${picture})`)
  if (since) found = found.where('date', '>=', since)
  if (until) found = found.where('date', '<=', until)
  const match = wordsAsked(words ?? '')
  if (match)
    found = found.where(sql<boolean>`number in (select rowid from entry_words where entry_words match ${match})`)
  return found
}

const SORTS = { title: sql`title`, changed: sql`changed_at`, date: sql`date`, type: sql`type` } as const

function sorted<O>(query: Query<O>, sort: string): Query<O> {
  const down = sort.startsWith('-')
  const by = SORTS[sort.replace('-', '') as keyof typeof SORTS]
  const way = down ? 'desc' : 'asc'
  // Of those alike the titles are in order.
  return query.orderBy(by, way).orderBy(SORTS.title).orderBy('entry')
}

/** As many found by words are sorted as they are found. */
const FEW = 3000

const ASKED_BY_WORDS: ReadonlySet<string> = new Set(['words', 'sort', 'offset', 'most'])

/** How many entries have some words: those that were removed are few, and taken off from those of all. */
async function countWords(db: Database, words: string): Promise<number> {
  const match = wordsAsked(words)
  if (!match) return countTable(db, {}, { user: 0, now: '' })
  const of = sql`select count(*) from entry_words where entry_words match ${match}`
  const { rows } = await sql<{ total: number }>`select (${of})
    - (${of} and rowid in (select number from entry_facts where removed = 1)) as total`.execute(db)
  return rows[0]!.total
}

/** How many entries are asked for. */
async function countTable(db: Database, asked: EntriesQuery, asker: Asker): Promise<number> {
  if (asked.words && Object.keys(asked).every((key) => ASKED_BY_WORDS.has(key))) return countWords(db, asked.words)
  const facts = db.selectFrom('entry_facts').select((e) => e.fn.countAll<number>().as('total'))
  const { total } = await filtered(facts, asked, asker, Boolean(asked.words)).executeTakeFirstOrThrow()
  return total
}

export interface TableRow {
  id: Id
  doc: string
  judged: string
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
  const total = await countTable(db, asked, asker)
  const few = Boolean(asked.words) && total <= FEW
  const ids = await sorted(
    filtered(db.selectFrom('entry_facts').select('entry'), asked, asker, few),
    asked.sort ?? '-changed',
  )
    .limit(asked.most ?? 100)
    .offset(asked.offset ?? 0)
    .execute()
  return {
    rows: await readRows(
      db,
      ids.map((r) => r.entry),
      asker,
    ),
    total,
  }
}

/** Entries as rows, in the order of their ids. */
async function readRows(db: Database, ids: readonly Id[], { user }: Asker): Promise<TableRow[]> {
  const rows = await db
    .selectFrom('entries')
    .select(['id', 'doc', 'judged', 'published', 'revision', 'changed_at', 'changed_by'])
    .select(sql<number>`id in (select entry from working_copies where "user" = ${user})`.as('writing'))
    .where(sql<boolean>`id in (select value from json_each(${JSON.stringify(ids)}))`)
    .execute()
  const byId = new Map(rows.map((row) => [row.id, row]))
  return ids.flatMap((id) => byId.get(id) ?? [])
}

/** The ids of all that is asked for, in order, up to a number. */
export async function readTableIds(db: Database, asked: EntriesQuery, asker: Asker, most: number): Promise<Id[]> {
  const few = Boolean(asked.words) && (await countTable(db, asked, asker)) <= FEW
  const rows = await sorted(
    filtered(db.selectFrom('entry_facts').select('entry'), asked, asker, few),
    asked.sort ?? '-changed',
  )
    .limit(most)
    .execute()
  return rows.map((r) => r.entry)
}
