import { sql } from 'kysely'
import type { Catalogue, Entry } from '../../core/site'
import { wordsAsked } from '../database/entry-table'
import type { Database } from '../database/open'

/** A title counts as much more than what stands in the text, and a summary. */
const WEIGHTS = sql.raw('4.0, 2.0, 1.0, 1.0')
/** Lists narrow, count and leaf through what was found: all of it, but for what nobody leafs to. */
const MOST_FOUND = 10_000
/** Every page asks for some; some of what is found may not be out. */
const SPARE = 20

async function found(db: Database, match: string, most: number): Promise<string[]> {
  const { rows } = await sql<{ id: string }>`select e.id as id from entry_words w join entries e on e.number = w.rowid
    where entry_words match ${match} and e.removed = 0 and e.published = 1
    order by bm25(entry_words, ${WEIGHTS}), e.id limit ${most}`.execute(db)
  return rows.map((r) => r.id)
}

/** Entries that are out and hold all the words, or words that begin so, best first. */
export async function searchEntries(
  db: Database,
  catalogue: Catalogue,
  words: string,
  most = MOST_FOUND,
): Promise<Entry[]> {
  const match = wordsAsked(words.slice(0, 200))
  if (!match) return []
  const exact = await found(db, match, most + SPARE)
  const ids = exact.length > 0 ? exact : await foundNearly(db, words, most + SPARE)
  return ids.flatMap((id) => (catalogue.isOut({ id }) ? (catalogue.entries.get(id) ?? []) : [])).slice(0, most)
}

/** Shorter words have too many near ones. */
const SHORTEST = 4
const MOST_NEAR = 8
const MOST_LOOKED_AT = 20_000

/** Words of the site that differ by one letter from one that was looked for and is not there. */
async function nearWords(db: Database, word: string): Promise<string[]> {
  const plain = word.toLowerCase()
  if ([...plain].length < SHORTEST) return []
  const [first] = plain
  const next = String.fromCodePoint(first!.codePointAt(0)! + 1)
  const { rows } = await sql<{ term: string }>`select term from entry_vocabulary
    where term >= ${first!} and term < ${next} limit ${MOST_LOOKED_AT}`.execute(db)
  return rows
    .map((r) => r.term)
    .filter((term) => isNear(plain, term))
    .slice(0, MOST_NEAR)
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

async function foundNearly(db: Database, words: string, most: number): Promise<string[]> {
  const asked = words.slice(0, 200).match(/[\p{L}\p{N}]+/gu) ?? []
  const groups: string[] = []
  for (const word of asked.slice(0, 12)) {
    const near = await nearWords(db, word)
    groups.push(`(${[`"${word}"*`, ...near.map((term) => `"${term}"`)].join(' OR ')})`)
  }
  return found(db, groups.join(' AND '), most)
}
