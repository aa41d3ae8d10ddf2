import { type Transaction, sql } from 'kysely'
import type { Spoilt } from '../../core/documents'
import { type Entry, type Id, type Redirect, richPictures, richText } from '../../core/site'
import { KEY } from '../../core/shape'
import type { Database } from './open'
import { writeRedirects } from './redirects'
import type { Tables } from './schema'
import { markOf, readSound, trust } from './sound'

type Db = Database | Transaction<Tables>

/** An entry with the revision it stands at. */
export interface StoredEntry {
  entry: Entry
  revision: number
}

type Row = { id: string; doc: string; published: number; revision: number }

const COLUMNS = ['id', 'doc', 'published', 'revision'] as const

function stored({ id, doc, published, revision }: Row, spoilt: Spoilt[] = []): StoredEntry[] {
  const entry = readSound<Entry>('entry', id, doc, spoilt)
  return entry ? [{ entry: { ...entry, published: published === 1 }, revision }] : []
}

const AT_ONCE = 1000

/** All entries that were not removed, in the order in which they were made, each as `each` makes it to be held. */
export async function readEntries(db: Db, spoilt: Spoilt[], each: (entry: Entry) => Entry): Promise<Entry[]> {
  const found: Entry[] = []
  for (let last = -1; ;) {
    const rows = await db
      .selectFrom('entries')
      .select([...COLUMNS, 'number', 'judged'])
      .where('removed', '=', 0)
      .where('number', '>', last)
      .orderBy('number')
      .limit(AT_ONCE)
      .execute()
    for (const row of rows) {
      trust('entry', row.doc, row.judged)
      for (const { entry } of stored(row, spoilt)) found.push(each(entry))
    }
    if (rows.length < AT_ONCE) return found
    last = rows.at(-1)!.number
  }
}

/** An entry that was not removed; null when there is none. */
export async function readEntry(db: Db, id: Id): Promise<StoredEntry | null> {
  const row = await db
    .selectFrom('entries')
    .select(COLUMNS)
    .where('id', '=', id)
    .where('removed', '=', 0)
    .executeTakeFirst()
  return row ? (stored(row)[0] ?? null) : null
}

/** Some entries, removed or not, by their ids. */
export async function readEntriesBy(db: Db, ids: readonly Id[], removed = false): Promise<StoredEntry[]> {
  const rows = await db
    .selectFrom('entries')
    .select(COLUMNS)
    .where('removed', '=', Number(removed))
    .where(sql<boolean>`id in (select value from json_each(${JSON.stringify(ids)}))`)
    .execute()
  return rows.flatMap((row) => stored(row))
}

export async function entryExists(db: Db, id: Id): Promise<boolean> {
  return (await db.selectFrom('entries').select('id').where('id', '=', id).executeTakeFirst()) !== undefined
}

/** Entries that have a term. */
export async function readEntriesInTerm(db: Db, term: Id): Promise<StoredEntry[]> {
  const rows = await db
    .selectFrom('entries')
    .select(COLUMNS)
    .where('id', 'in', db.selectFrom('entry_terms').select('entry').where('term', '=', term))
    .execute()
  return rows.flatMap((row) => stored(row))
}

/** Published entries of a type that stand below no other. */
export async function readTopEntries(db: Db, type: Id): Promise<Entry[]> {
  const rows = await db
    .selectFrom('entries')
    .select(COLUMNS)
    .where('type', '=', type)
    .where('published', '=', 1)
    .where('removed', '=', 0)
    .execute()
  return rows.flatMap((row) => stored(row)).flatMap(({ entry }) => (entry.parent === null ? entry : []))
}

const moreOf = ({ fields }: Entry): string =>
  Object.values(fields)
    .filter((v) => typeof v === 'string')
    .join(' ')

/** Everything in an entry that may be the id of a picture. */
function picturesIn({ picture, fields, content }: Entry): string[] {
  const values = Object.values(fields).flatMap((v) => v)
  const all = [picture, ...values, ...richPictures(content)]
  return [...new Set(all.filter((v): v is string => typeof v === 'string' && KEY.test(v)))]
}

/** Makes an entry be found by its terms, its pictures and its words. */
async function standIn(db: Db, number: number, entry: Entry): Promise<void> {
  await db.deleteFrom('entry_terms').where('entry', '=', entry.id).execute()
  const terms = [...new Set(entry.terms)].map((term) => ({ entry: entry.id, term }))
  if (terms.length) await db.insertInto('entry_terms').values(terms).execute()
  await standWords(db, number, entry)
}

async function standWords(db: Db, number: number, entry: Entry): Promise<void> {
  await db.deleteFrom('entry_pictures').where('entry', '=', entry.id).execute()
  const pictures = picturesIn(entry).map((picture) => ({ entry: entry.id, picture }))
  if (pictures.length) await db.insertInto('entry_pictures').values(pictures).execute()
  await db.deleteFrom('entry_words').where('rowid', '=', number).execute()
  const { title, summary } = entry
  await db
    .insertInto('entry_words')
    .values({ rowid: number, title, summary, more: moreOf(entry), content: richText(entry.content) })
    .execute()
}

/** Keeps a state of an entry as it is stored. */
async function keepState(db: Db, entry: Entry, revision: number, at: number, by: string): Promise<void> {
  const values = { published: Number(entry.published), doc: JSON.stringify(entry), at, by }
  await db
    .insertInto('entry_states')
    .values({ entry: entry.id, revision, ...values })
    .onConflict((c) => c.columns(['entry', 'revision']).doUpdateSet(values))
    .execute()
}

/** Puts in an entry that is not there, in a place of the order. */
export async function putEntry(db: Db, entry: Entry, position: number, by = ''): Promise<void> {
  const { id, type, published } = entry
  const at = by === '' ? 0 : Date.now()
  const { number } = await db
    .insertInto('entries')
    .values({
      id,
      type,
      position,
      revision: 1,
      published: Number(published),
      doc: JSON.stringify(entry),
      judged: markOf('entry', JSON.stringify(entry)),
      changed_at: at,
      changed_by: by,
      number: sql<number>`(select coalesce(max(number), 0) + 1 from entries)`,
    })
    .returning('number')
    .executeTakeFirstOrThrow()
  await standIn(db, number, entry)
  await keepState(db, entry, 1, at, by)
}

/** Puts in a new entry, after all others. */
export async function insertEntry(db: Db, entry: Entry, by: string): Promise<void> {
  const { last } = await db
    .selectFrom('entries')
    .select((e) => e.fn.max('position').as('last'))
    .executeTakeFirstOrThrow()
  await putEntry(db, entry, (last ?? -1) + 1, by)
}

/** Stores an entry at its next revision, with what leads on from the address it has had. */
export async function updateEntry(
  db: Db,
  { entry, revision }: StoredEntry,
  by: string,
  moved: Redirect | null = null,
): Promise<void> {
  if (moved) await writeRedirects(db, [moved])
  const at = Date.now()
  const doc = JSON.stringify(entry)
  const values = { doc, judged: markOf('entry', doc), published: Number(entry.published), revision }
  const { number } = await db
    .updateTable('entries')
    .set({ ...values, changed_at: at, changed_by: by })
    .where('id', '=', entry.id)
    .returning('number')
    .executeTakeFirstOrThrow()
  await standIn(db, number, entry)
  await keepState(db, entry, revision, at, by)
}

/** Takes an entry to what was removed, or puts it back. */
export async function setEntryRemoved(db: Db, id: Id, removed: boolean, by: string): Promise<void> {
  await db
    .updateTable('entries')
    .set({ removed: Number(removed), changed_at: Date.now(), changed_by: by })
    .where('id', '=', id)
    .execute()
}

/** Removed entries are gone for good, with their states. Gives how many. */
export async function clearEntries(db: Db): Promise<number> {
  await db
    .deleteFrom('entry_words')
    .where('rowid', 'in', db.selectFrom('entries').select('number').where('removed', '=', 1))
    .execute()
  const { numDeletedRows } = await db.deleteFrom('entries').where('removed', '=', 1).executeTakeFirstOrThrow()
  return Number(numDeletedRows)
}

/** A state of an entry as it was stored: `at` in milliseconds since 1970, 0 where it is not known. */
export interface EntryState {
  revision: number
  at: number
  by: string
}

/** Every stored state of an entry, latest first. */
export async function readStates(db: Db, id: Id, most = 500): Promise<EntryState[]> {
  return db
    .selectFrom('entry_states')
    .select(['revision', 'at', 'by'])
    .where('entry', '=', id)
    .orderBy('revision', 'desc')
    .limit(most)
    .execute()
}

/** An entry as it was stored at a revision; null when that is not known. */
export async function readState(db: Db, id: Id, revision: number): Promise<Entry | null> {
  const row = await db
    .selectFrom('entry_states')
    .select(['doc', 'published', 'revision'])
    .where('entry', '=', id)
    .where('revision', '=', revision)
    .executeTakeFirst()
  return row ? (stored({ ...row, id })[0]?.entry ?? null) : null
}

const MOST_AT_ONCE = 200

/** Entries whose words are not found yet are made to be: after a change of the database itself. Gives how many. */
export async function standAllWords(db: Database): Promise<number> {
  let done = 0
  for (;;) {
    const rows = await db
      .selectFrom('entries')
      .select([...COLUMNS, 'number'])
      .where(sql<boolean>`number not in (select rowid from entry_words)`)
      .orderBy('number')
      .limit(MOST_AT_ONCE)
      .execute()
    if (rows.length === 0) return done
    await db.transaction().execute(async (trx) => {
      for (const row of rows) {
        const [found] = stored(row)
        // One that cannot be read has no words, and is not asked for again.
        const nothing = { rowid: row.number, title: '', summary: '', more: '', content: '' }
        if (found) await standWords(trx, row.number, found.entry)
        else await trx.insertInto('entry_words').values(nothing).execute()
      }
    })
    done += rows.length
  }
}
