import { sql } from 'kysely'
import type { Catalogue } from '../../core/catalogue'
import type { Entry } from '../../core/model'
import { askedWords, findByWords, folded } from '../../core/text'
import { wordsAsked } from '../database/entry-table'
import type { Database } from '../database/open'

/** A title counts as much more than what stands in the text, and a summary. */
const WEIGHTS = sql.raw('4.0, 2.0, 1.0, 1.0')
/** Lists narrow, count and leaf through what was found: all of it, but for what nobody leafs to. */
const MOST_FOUND = 10_000
/** What stands in more entries than this tells little of what was meant, and costs much to put in order. */
const MOST_COMMON = 5000
/** Every page asks for some; some of what is found may not be out. */
const SPARE = 20

/** What is to be found: words as SQLite's index is asked for them, and no more entries than so many. */
export interface ToFind {
  match: string
  most: number
}

/** Finds the entries that hold words, best first: their ids. */
export type Find = (wanted: ToFind) => Promise<string[]>

/** Finds in one go, over one connection. */
export async function findRanked(db: Database, { match, most }: ToFind): Promise<string[]> {
  const { rows } = await sql<{ id: string }>`select e.id as id from entry_words w join entries e on e.number = w.rowid
    where entry_words match ${match} and e.removed = 0 and e.published = 1
    order by bm25(entry_words, ${WEIGHTS}), e.id limit ${most}`.execute(db)
  return rows.map((r) => r.id)
}

/**
 * Finds where nobody waits for it: what stands in so many entries that putting them in order takes long is asked for
 * beside this thread.
 */
export function findBeside(db: Database, beside: Find): Find {
  return async (wanted) => {
    const { rows } = await sql<{ held: number }>`select count(*) as held from
      (select rowid from entry_words where entry_words match ${wanted.match} limit ${MOST_COMMON + 1})`.execute(db)
    return (rows[0]?.held ?? 0) > MOST_COMMON ? beside(wanted) : findRanked(db, wanted)
  }
}

/** What a search comes to. */
export interface Found {
  /** Entries that are out and hold all the words, or words that begin so, best first. */
  entries: Entry[]
  /** The words that were met instead, where some of those asked for stand nowhere; else empty. */
  near: string
  /** Where nothing holds all of them: entries that hold any. */
  likely: Entry[]
}

export const FOUND_NOTHING: Found = { entries: [], near: '', likely: [] }

/** So many are offered where nothing is found. */
const MOST_LIKELY = 12
const LONGEST = 200
const MOST_OF_ADDRESS = 4

const quoted = (words: readonly string[]): string[] => words.map((word) => `"${word}"*`)

/** Searches the site by words. */
export async function searchEntries(
  db: Database,
  catalogue: Catalogue,
  words: string,
  find: Find = (wanted) => findRanked(db, wanted),
  most = MOST_FOUND,
): Promise<Found> {
  const match = wordsAsked(words.slice(0, LONGEST))
  if (!match) return FOUND_NOTHING
  const seen = outOf(catalogue)
  const entries = seen(await find({ match, most: most + SPARE }), most)
  if (entries.length > 0) return { entries, near: '', likely: [] }
  const asked = askedWords(words.slice(0, LONGEST))
  const met = await Promise.all(asked.map((word) => nearestTo(db, word)))
  const instead = met.filter((word) => word !== null)
  const corrected = instead.some((word, i) => word !== asked[i])
  if (corrected && instead.length === asked.length) {
    const nearly = seen(await find({ match: quoted(instead).join(' '), most: most + SPARE }), most)
    if (nearly.length > 0) return { entries: nearly, near: instead.join(' '), likely: [] }
  }
  return { ...FOUND_NOTHING, likely: await anyOf(db, seen, instead) }
}

type See = (ids: readonly string[], limit: number) => Entry[]

/** Those that visitors can see, no more than so many. */
const outOf =
  (catalogue: Catalogue): See =>
  (ids, limit) =>
    ids.flatMap((id) => (catalogue.isOut({ id }) ? (catalogue.entries.get(id) ?? []) : [])).slice(0, limit)

async function isRare(db: Database, word: string): Promise<boolean> {
  const { rows } = await sql<{ held: number | null }>`select sum(doc) as held from entry_vocabulary
    where ${between(word)}`.execute(db)
  return (rows[0]?.held ?? 0) <= MOST_COMMON
}

async function anyOf(db: Database, seen: See, words: readonly string[]): Promise<Entry[]> {
  const rare = await Promise.all(words.map((word) => isRare(db, word)))
  const telling = words.filter((_, i) => rare[i])
  return telling.length === 0
    ? []
    : seen(await findRanked(db, { match: quoted(telling).join(' OR '), most: MOST_LIKELY + SPARE }), MOST_LIKELY)
}

/** Entries that are likely meant by an address at which there is no page: those that hold any of its words. */
export async function likelyAt(db: Database, catalogue: Catalogue, path: string): Promise<Entry[]> {
  // What stands last in an address says most of what was meant; addresses in vain come in floods, so few words are asked for.
  const last = path.split('/').findLast((part) => part !== '') ?? ''
  const met = await Promise.all(
    askedWords(last.replace(/\.\w{1,5}$/, '').slice(0, LONGEST))
      .slice(0, MOST_OF_ADDRESS)
      .map((word) => nearestTo(db, word)),
  )
  return anyOf(db, outOf(catalogue), met.filter((word) => word !== null && word.length >= SHORTEST - 1) as string[])
}

/** So many titles are looked at, the newest of those that hold the words: few letters stand in nearly all. */
const MOST_TITLES = 200

/** Titles that hold all the words, or words that begin so, those first that begin with them: what may be meant while somebody types. */
export async function suggest(db: Database, catalogue: Catalogue, words: string, most = 8): Promise<Entry[]> {
  const match = wordsAsked(words.slice(0, LONGEST))
  if (!match) return []
  const { rows } = await sql<{ id: string }>`select e.id as id from entry_words w join entries e on e.number = w.rowid
    where entry_words match ${`title : (${match})`} and e.removed = 0 and e.published = 1
    order by w.rowid desc limit ${MOST_TITLES}`.execute(db)
  const entries = outOf(catalogue)(
    rows.map((r) => r.id),
    MOST_TITLES,
  )
  return findByWords(entries, words, (e) => e.title).slice(0, most)
}

/** Shorter words have too many near ones. */
const SHORTEST = 4
const MOST_LOOKED_AT = 20_000
const LETTERS = [...'abcdefghijklmnopqrstuvwxyz']

const between = (word: string) => sql`term >= ${word} and term < ${word + '\uffff'}`

/** A word of the site that begins as the one asked for, else the commonest that differs from it by one letter; null for none. */
async function nearestTo(db: Database, word: string): Promise<string | null> {
  const plain = folded(word)
  const known = await sql<{ term: string }>`select term from entry_vocabulary where ${between(plain)} limit 1`.execute(
    db,
  )
  if (known.rows.length > 0) return plain
  if ([...plain].length < SHORTEST) return null
  const [first = ''] = plain
  const same = await sql<{ term: string; doc: number }>`select term, doc from entry_vocabulary
    where ${between(first)} and length(term) between ${plain.length - 1} and ${plain.length + 1} limit ${MOST_LOOKED_AT}`.execute(
    db,
  )
  // A first letter that is wrong, missing or one too many is tried with each that it could be.
  const rest = plain.slice(first.length)
  const others = [rest, ...LETTERS.flatMap((letter) => [letter + rest, letter + plain])]
  const swapped = rest.charAt(0) + first + rest.slice(1)
  const other = await sql<{ term: string; doc: number }>`select term, doc from entry_vocabulary
    where term in (${sql.join([...others, swapped])})`.execute(db)
  const near = [...same.rows.filter((r) => isNear(plain, r.term)), ...other.rows]
  return near.sort((a, b) => b.doc - a.doc || (a.term < b.term ? -1 : 1))[0]?.term ?? null
}

/** Whether one word comes from the other by one letter more, one less, one other, or two that changed places. */
export function isNear(a: string, b: string): boolean {
  if (a === b) return true
  const [short, long] = a.length <= b.length ? [a, b] : [b, a]
  if (long.length - short.length > 1) return false
  let at = 0
  while (at < short.length && short[at] === long[at]) at++
  if (long.length > short.length) return short.slice(at) === long.slice(at + 1)
  const swapped = short[at] === long[at + 1] && short[at + 1] === long[at]
  return short.slice(at + 1) === long.slice(at + 1) || (swapped && short.slice(at + 2) === long.slice(at + 2))
}
