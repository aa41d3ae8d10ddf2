import { before } from '../../core/text'
import { nanoid } from 'nanoid'
import type { Problem } from '../../core/problems'
import { type Bringing, type BroughtRow, bringRow } from '../../core/importing'
import { type Catalogue, checkEntry, namedIn, takenAddress } from '../../core/catalogue'
import { type Entry, type Id, type PageType, firstFree } from '../../core/model'
import { converted, isHeld, wordsOf } from '../../core/fields'
import type { RichDoc } from '../../core/rich'
import { slugOf } from '../../core/addresses'
import type { BringPreviewAnswer } from '../../shared/api/types'
import { takeTurns } from '../services/turns'
import type { Row } from './sheet'

/** What rows come to: the entries that would be stored, with what of each row could not be kept. */

const FIRST = 8
const MOST_TOLD = 200

/** What rows are read by. */
export interface Reading {
  type: PageType
  columns: Bringing['columns']
  published: boolean
  /** As the site will be once what the rows need is made. */
  catalogue: Catalogue
  /** Pictures that came along, by their names. */
  brought: ReadonlyMap<string, Id>
  /** Images on the web are taken for there: they are fetched once the rows are taken along. */
  fetches?: boolean
  /** How single columns are written. */
  ways: Bringing['ways']
}

/** Reads rows one after the other: a later one may say more of the entry that an earlier one has come to. */
export interface RowReader {
  take(row: Row): BroughtRow
  /** What was read is stored, so that it is found there. */
  stored(): void
}

/** Rows of a preview are never stored: of so many it is remembered what they came to. */
const MOST_REMEMBERED = 20_000

/** Stands for an image that is fetched later. */
const TO_BE_FETCHED = 'to-be-fetched'

/** How rows become entries: by what is there, by what the plan makes, and by the pictures that came along. */
export async function rowReader(reading: Reading, now = () => reading.catalogue): Promise<RowReader> {
  const { type } = reading
  const made = new Map<Id, Entry>()
  /** Addresses that rows were given. */
  const given = new Map<string, Id>()
  const known = (id: Id) => made.get(id) ?? now().entries.get(id)
  const there = (slug: string) =>
    now()
      .withSlug(slug)
      .find((e) => e.type === type.id)?.id
  const by: Bringing = {
    ...(await namesFor(reading)),
    existing(own, slug) {
      const found = known(own) ?? known(given.get(slug) ?? there(slug) ?? '')
      return found?.type === type.id ? found : undefined
    },
    newId: () => nanoid(12),
    free(entry, wanted) {
      const taken = (slug: string) => given.has(slug) || takenAddress({ ...entry, slug }, type, now()) !== null
      const free = firstFree(slugOf(wanted) || 'untitled', 80, taken)
      given.set(free, entry.id)
      return free
    },
  }
  return {
    take(row) {
      const brought = bringRow(row, by)
      if (made.size >= MOST_REMEMBERED) made.clear()
      made.set(brought.entry.id, brought.entry)
      return brought
    },
    stored: () => made.clear(),
  }
}

/** What the words in rows mean: pictures, terms, people and entries by what they are called, and marked-up text. */
async function namesFor({ type, columns, published, catalogue, brought, ways, fetches }: Reading) {
  const { looksLikeHtml, richOf } = await import('./rich')
  const named = namedIn(catalogue)
  const picture = (words: string): Id | undefined => {
    const fetched = brought.get(words.trim())
    if (fetched) return fetched
    if (fetches && webAddress(words.trim())) return TO_BE_FETCHED
    const name = baseName(decodeSafely(words))
    return brought.get(name) ?? brought.get(name.replace(/\.\w+$/, '')) ?? named.picture(words)
  }
  const terms = new Map(catalogue.site.terms.map((t) => [`${t.taxonomy} ${t.title.trim().toLowerCase()}`, t.id]))
  return {
    type,
    columns,
    published,
    ...(ways && { ways }),
    named: { ...named, picture },
    term: (taxonomy: Id, title: string) => terms.get(`${taxonomy} ${title.trim().toLowerCase()}`),
    rich: (words: string, lost: string[]) => (looksLikeHtml(words) ? richOf(words, picture, lost) : paragraphs(words)),
  }
}

const ON_THE_WEB = /^(https?:)?\/\//i

/** The address of an image on the web, whole; null for one that would lie beside the file. */
export const webAddress = (address: string): string | null =>
  ON_THE_WEB.test(address) ? (address.startsWith('//') ? `https:${address}` : address) : null

/** Notes the images on the web that the texts of a row show, by the addresses that stand there. */
export async function imagesIn(row: Row, { type, columns }: Pick<Reading, 'type' | 'columns'>): Promise<string[]> {
  const { looksLikeHtml, richOf } = await import('./rich')
  const isRich = (target: string) =>
    target === 'content' || type.fields.some((f) => f.kind === 'rich' && target === `field:${f.id}`)
  return Object.entries(columns).flatMap(([column, target]) => {
    const words = row[column] ?? ''
    if (target === 'picture') return webAddress(words.trim()) ? [words.trim()] : []
    const found: string[] = []
    if (isRich(target) && looksLikeHtml(words)) richOf(words, undefined, found)
    return found.filter((address) => webAddress(address))
  })
}

/** What taking the rows along would come to; nothing of the site changes. */
export async function previewRows(
  rows: AsyncIterable<Row>,
  reading: Reading,
  made: BringPreviewAnswer['made'],
  questions: BringPreviewAnswer['questions'],
): Promise<BringPreviewAnswer> {
  const reader = await rowReader(reading)
  const answer: BringPreviewAnswer = {
    entries: [],
    fresh: 0,
    replaced: 0,
    same: 0,
    made,
    problems: [],
    wrong: 0,
    questions,
    images: 0,
  }
  const turn = takeTurns()
  const images = new Set<string>()
  let number = 0
  for await (const row of rows) {
    await turn()
    number++
    for (const address of await imagesIn(row, reading)) images.add(address)
    const { entry, replaces, changed, lost } = reader.take(row)
    const why = [...lost, ...refusals(entry, reading)]
    answer[!replaces ? 'fresh' : changed ? 'replaced' : 'same']++
    if (why.length) answer.wrong++
    for (const one of why) if (answer.problems.length < MOST_TOLD) answer.problems.push({ row: number, why: one })
    if (answer.entries.length < FIRST)
      answer.entries.push({ title: entry.title, slug: entry.slug, replaces, fields: shownFields(entry, reading) })
  }
  answer.images = images.size
  return answer
}

/** Why an entry would not be stored; a picture that comes along with it is not missed. */
function refusals(entry: Entry, { catalogue, brought }: Reading): string[] {
  const coming = new Set([...brought.values(), TO_BE_FETCHED])
  const own = entry.picture && coming.has(entry.picture) ? { ...entry, picture: null } : entry
  return checkEntry(own, catalogue)
    .filter(({ code }) => !(brought.size > 0 && code === 'field-value'))
    .map(whyOf)
}

/** Why a row was not stored, without what a report need not say. */
export const whyOf = ({ sentence }: Problem): string => sentence.replace(/\.? Nothing was stored\.$/, '')
/** What a file is called by rows that name it. */
export const baseName = (name: string): string => name.split(/[/\\]/).pop()!.trim().toLowerCase()

function decodeSafely(words: string): string {
  try {
    return decodeURIComponent(before(words, '?#'))
  } catch (error) {
    if (error instanceof URIError) return words
    throw error
  }
}

function paragraphs(words: string): RichDoc | null {
  return converted({ id: 'content', label: 'Content', kind: 'rich' }, words) as RichDoc | null
}

/** The fields of an entry in words, by their labels, for looking at. */
function shownFields(entry: Entry, { type, catalogue }: Reading): Record<string, string> {
  const person = entry.person ? [[type.personLabel || 'Person', catalogue.people.get(entry.person)?.name ?? '']] : []
  const terms = entry.terms.flatMap((t) => catalogue.terms.get(t)?.title ?? [])
  const own = type.fields
    .filter((f) => entry.fields[f.id] !== undefined && isHeld(f, entry.fields[f.id]))
    .map((f) => [f.label, wordsOf(entry.fields[f.id], f).slice(0, 120)])
  return Object.fromEntries([
    ...(entry.date ? [['Date', entry.date]] : []),
    ...person,
    ...(terms.length ? [['Terms', terms.join(', ')]] : []),
    ...own,
    ...(entry.content ? [['Content', wordsOf(entry.content).slice(0, 120)]] : []),
  ] as [string, string][])
}
