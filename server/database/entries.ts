import { type Transaction, sql } from 'kysely'
import type { Spoilt } from '../../core/documents'
import type { Entry, Id, Redirect } from '../../core/model'
import type { EntryTimes } from '../../core/catalogue'
import type { Database } from './open'
import { writeRedirects } from './redirects'
import type { Tables } from './schema'
import { type Light, lightOf } from './lights'
import { markOf, readSound } from './sound'
import { giveTurn } from '../services/turns'
import { standIn } from './stand-in'

type Db = Database | Transaction<Tables>

/** An entry with the revision it stands at. */
export interface StoredEntry {
  entry: Entry
  revision: number
}

const idIn = (ids: readonly Id[]) => sql<boolean>`id in (select value from json_each(${JSON.stringify(ids)}))`

type Row = { id: string; doc: string; published: number; revision: number; judged?: string }

const COLUMNS = ['id', 'doc', 'published', 'revision', 'judged'] as const

/**
 * Whether entries are there, or were removed, asked of those that are found by something else. Nearly all are there:
 * without the sign SQLite would rather go through them all by an index that begins with it.
 */
const whereRemoved = (removed: boolean) => sql<boolean>`+removed = ${Number(removed)}`

function stored({ id, doc, published, revision, judged }: Row, spoilt: Spoilt[] = []): StoredEntry[] {
  const entry = readSound<Entry>('entry', id, doc, spoilt, judged)
  return entry ? [{ entry: { ...entry, published: published === 1 }, revision }] : []
}

const AT_ONCE = 1000

/** How entries are held: those that are read as a whole, and, where it is said, those that are read without their texts. */
export interface Holding {
  whole(entry: Entry): Entry
  light?(entry: Light): Entry
}

/** All entries that were not removed, in the order in which they were made. */
export async function readEntries(db: Db, spoilt: Spoilt[], { whole, light }: Holding): Promise<Entry[]> {
  const found: Entry[] = []
  for (let last = -1; ;) {
    const rows = await db
      .selectFrom('entry_facts as f')
      .leftJoin('entry_lights as l', 'l.number', 'f.number')
      .select(['f.number', 'f.entry as id', 'f.published', 'l.light', 'l.mark'])
      .where('f.number', '>', last)
      .where(sql<boolean>`+f.removed = 0`)
      .orderBy('f.number')
      .limit(AT_ONCE)
      .execute()
    const lights = rows.map(({ light: text, mark }) => (light ? lightOf(text, mark) : null))
    const asWhole = rows.filter((_, i) => !lights[i]).map((r) => r.id)
    const others = asWhole.length > 0 ? await readWhole(db, asWhole, spoilt) : null
    for (const [i, row] of rows.entries()) {
      const [one, other] = [lights[i], others?.get(row.id)]
      if (one) found.push(light!(withPublished(one, row.published === 1)))
      else if (other) found.push(whole(other))
    }
    if (rows.length < AT_ONCE) return found
    last = rows.at(-1)!.number
  }
}

/** The entry itself is changed: a copy of it would be held four times as large, and read more slowly. */
function withPublished(light: Light, published: boolean): Light {
  light.entry.published = published
  return light
}

async function readWhole(db: Db, ids: readonly Id[], spoilt: Spoilt[]): Promise<Map<Id, Entry>> {
  const rows = await db.selectFrom('entries').select(COLUMNS).where(idIn(ids)).execute()
  return new Map(rows.flatMap((row) => stored(row, spoilt)).map(({ entry }) => [entry.id, entry]))
}

/** An entry that was not removed; null when there is none. */
export async function readEntry(db: Db, id: Id): Promise<StoredEntry | null> {
  const row = await db
    .selectFrom('entries')
    .select(COLUMNS)
    .where('id', '=', id)
    .where(whereRemoved(false))
    .executeTakeFirst()
  return row ? (stored(row)[0] ?? null) : null
}

/** Some entries, removed or not, by their ids. */
export async function readEntriesBy(db: Db, ids: readonly Id[], removed = false): Promise<StoredEntry[]> {
  const rows = await db.selectFrom('entries').select(COLUMNS).where(whereRemoved(removed)).where(idIn(ids)).execute()
  return rows.flatMap((row) => stored(row))
}

/**
 * Published entries whose documents hold one of some texts, of the next so many that were stored after `after`; `last`
 * is where to go on, null where there are no more.
 */
export async function readEntriesHolding(
  db: Db,
  texts: readonly string[],
  after: number,
  most: number,
): Promise<{ entries: Entry[]; last: number | null }> {
  const next = db.selectFrom('entries').select('number').where('number', '>', after).orderBy('number')
  const last =
    (
      await next
        .offset(most - 1)
        .limit(1)
        .executeTakeFirst()
    )?.number ?? null
  const rows = await db
    .selectFrom('entries')
    .select(COLUMNS)
    .where('number', '>', after)
    .$if(last !== null, (query) => query.where('number', '<=', last!))
    .where('published', '=', 1)
    .where(whereRemoved(false))
    .where((row) => row.or(texts.map((text) => row('doc', 'like', `%${text}%`))))
    .execute()
  return { entries: rows.flatMap((row) => stored(row)).map(({ entry }) => entry), last }
}

/** When entries were stored and first published; of all of them where none are named. */
export async function readTimes(db: Db, ids: readonly Id[] | null): Promise<Map<Id, EntryTimes>> {
  const states = db
    .selectFrom('entry_states')
    .select(['entry', (e) => e.fn.min('at').as('out')])
    .where('published', '=', 1)
    .groupBy('entry')
  const few = ids && JSON.stringify(ids)
  const outs = await (
    few === null ? states : states.where(sql<boolean>`entry in (select value from json_each(${few}))`)
  ).execute()
  const all = db.selectFrom('entries').select(['id', 'changed_at', 'revision'])
  const rows = await (ids === null ? all : all.where(idIn(ids))).execute()
  const out = new Map(outs.map((o) => [o.entry, o.out]))
  return new Map(rows.map((r) => [r.id, { changed: r.changed_at, revision: r.revision, out: out.get(r.id) ?? 0 }]))
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
    .where(whereRemoved(false))
    .execute()
  return rows.flatMap((row) => stored(row)).flatMap(({ entry }) => (entry.parent === null ? entry : []))
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
  const doc = JSON.stringify(entry)
  const { number } = await db
    .insertInto('entries')
    .values({
      id,
      type,
      position,
      revision: 1,
      published: Number(published),
      doc,
      judged: markOf('entry', doc),
      changed_at: at,
      changed_by: by,
      number: sql<number>`(select coalesce(max(number), 0) + 1 from entries)`,
    })
    .returning('number')
    .executeTakeFirstOrThrow()
  await pause(doc)
  await standIn(db, number, entry)
  await pause(doc)
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

/** A document of more characters takes so long to be written that others are answered in between. */
const LONG = 100_000
const pause = async (doc: string): Promise<void> => void (doc.length > LONG && (await giveTurn()))

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
  await pause(doc)
  const values = { doc, judged: markOf('entry', doc), published: Number(entry.published), revision }
  const { number } = await db
    .updateTable('entries')
    .set({ ...values, changed_at: at, changed_by: by })
    .where('id', '=', entry.id)
    .returning('number')
    .executeTakeFirstOrThrow()
  await pause(doc)
  await standIn(db, number, entry)
  await pause(doc)
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
