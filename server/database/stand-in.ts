import { type Transaction, sql } from 'kysely'
import { KEY } from '../../core/shape'
import type { Entry } from '../../core/model'
import { richPictures, richText } from '../../core/rich'
import { writeLight } from './lights'
import type { Database } from './open'
import type { Tables } from './schema'
import { readSound } from './sound'

/** What entries are found by, beside their documents: terms, pictures, words, and what the next start reads. */

type Db = Database | Transaction<Tables>

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
export async function standIn(db: Db, number: number, entry: Entry): Promise<void> {
  await db.deleteFrom('entry_terms').where('entry', '=', entry.id).execute()
  const terms = [...new Set(entry.terms)].map((term) => ({ entry: entry.id, term }))
  if (terms.length) await db.insertInto('entry_terms').values(terms).execute()
  await standWords(db, number, entry)
}

/** The words and pictures by which an entry is found, and what stands beside it for the next start. */
async function standWords(db: Db, number: number, entry: Entry): Promise<void> {
  await writeLight(db, number, entry)
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

const MOST_AT_ONCE = 200

/**
 * Entries whose words are not found yet, or that nothing stands beside for the next start, are made to be: after a
 * change of the database itself. Gives how many.
 */
export async function standAll(db: Database): Promise<number> {
  let done = 0
  for (let last = -1; ;) {
    const rows = await db
      .selectFrom('entries')
      .select(['id', 'doc', 'judged', 'number'])
      .where('number', '>', last)
      // Which words are there is read off what FTS5 keeps of each: its own table would be gone through with all they say.
      .where(
        sql<boolean>`(number not in (select id from entry_words_docsize) or number not in (select number from entry_lights))`,
      )
      .orderBy('number')
      .limit(MOST_AT_ONCE)
      .execute()
    if (rows.length === 0) return done
    await db.transaction().execute(async (trx) => {
      for (const row of rows) {
        const found = readSound<Entry>('entry', row.id, row.doc, [], row.judged)
        // One that cannot be read has no words, and stands nowhere.
        const nothing = { rowid: row.number, title: '', summary: '', more: '', content: '' }
        if (found) await standWords(trx, row.number, found)
        else if (!(await hasWords(trx, row.number))) await trx.insertInto('entry_words').values(nothing).execute()
      }
    })
    done += rows.length
    last = rows.at(-1)!.number
  }
}

const hasWords = async (db: Db, number: number): Promise<boolean> =>
  (await db.selectFrom('entry_words').select('rowid').where('rowid', '=', number).executeTakeFirst()) !== undefined
