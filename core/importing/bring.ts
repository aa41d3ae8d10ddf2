import { counted, before, withoutEnd } from '../text'
import { slugOf } from '../addresses'
import { blankEntry, isSame, type Entry, type Id, type PageType, type Taxonomy } from '../model'
import { converted, partsOf, type ReadContext, type Field } from '../fields'
import { dayNamed } from '../time'
import type { RichDoc } from '../rich'

/** Rows of words that come along, as entries: which column is what, and what each row comes to. */

/**
 * What a column is: a key of the entry, `field:ID` of its type, `terms:TAXONOMY`, `new:KIND` for a field that is made
 * from it, or nothing.
 */
export type ColumnTarget = string

export const OWN_TARGETS = [
  'id',
  'title',
  'slug',
  'summary',
  'content',
  'picture',
  'person',
  'date',
  'published',
  'parent',
] as const

const ALSO: Readonly<Record<string, readonly string[]>> = {
  id: ['identifier', 'key', 'uuid', 'guid'],
  title: ['name', 'headline', 'heading', 'titel', 'titre'],
  slug: ['address', 'url', 'permalink', 'path', 'handle', 'link'],
  summary: ['excerpt', 'description', 'teaser', 'abstract', 'intro', 'lead', 'subtitle'],
  content: ['body', 'text', 'html', 'article', 'post', 'markdown'],
  picture: ['image', 'photo', 'cover', 'thumbnail', 'featuredimage', 'leadpicture'],
  person: ['author', 'writer', 'by', 'keeper', 'speaker', 'creator', 'owner'],
  date: ['published', 'publishedat', 'publishedon', 'pubdate', 'day', 'created', 'createdat', 'posted'],
  published: ['public', 'ispublished', 'live', 'visible', 'status'],
  parent: ['below', 'parentpage', 'under'],
}

const plain = (name: string): string => name.toLowerCase().replace(/[^\p{L}\p{N}]+/gu, '')

/** What each column most likely is, by its name; each thing is taken once. */
export function guessTargets(
  columns: readonly string[],
  type: PageType | null,
  taxonomies: readonly Taxonomy[],
): Record<string, ColumnTarget> {
  const found: Record<string, ColumnTarget> = {}
  const taken = new Set<ColumnTarget>()
  const take = (column: string, target: ColumnTarget): boolean => {
    if (taken.has(target) || found[column] !== undefined) return false
    taken.add(target)
    found[column] = target
    return true
  }
  const own = taxonomies.filter((t) => !type || type.taxonomies.includes(t.id))
  const exact = (column: string): ColumnTarget[] => [
    ...OWN_TARGETS.filter((t) => plain(t) === plain(column)),
    ...(type?.fields ?? [])
      .filter((f) => [f.label, f.id].some((n) => plain(n) === plain(column)))
      .map((f) => `field:${f.id}`),
    ...own.filter((t) => [t.name, t.plural, t.id].some((n) => plain(n) === plain(column))).map((t) => `terms:${t.id}`),
    ...(type && plain(type.personLabel) === plain(column) ? ['person'] : []),
  ]
  for (const column of columns) exact(column).some((target) => take(column, target))
  for (const column of columns)
    for (const [target, names] of Object.entries(ALSO)) if (names.includes(plain(column))) take(column, target)
  const [only] = own
  for (const column of columns)
    if (only && own.length === 1 && ['terms', 'tags', 'category', 'categories'].includes(plain(column)))
      take(column, `terms:${only.id}`)
  return Object.fromEntries(columns.map((column) => [column, found[column] ?? '']))
}

export interface BroughtRow {
  entry: Entry
  /** Whether it stands in the place of one that is there. */
  replaces: boolean
  /** Whether it says anything else than the one that is there. */
  changed: boolean
  /** What of the row could not be taken, in words; the rest of it is. */
  lost: string[]
}

export interface Bringing {
  type: PageType
  columns: Readonly<Record<string, ColumnTarget>>
  /** Whether new entries are out at once; what a row says of itself goes first. */
  published: boolean
  named: ReadContext
  /** How single columns are written, where they say so or it was answered. */
  ways?: Readonly<Record<string, Partial<ReadContext>>>
  /** Finds a term by its title; undefined where there is none. */
  term(taxonomy: Id, title: string): Id | undefined
  /** Words that may be marked up as running text; `lost` gets the addresses of images that did not come along. */
  rich(words: string, lost: string[]): RichDoc | null
  /** The entry that a row means, by its id or by the last part of its address. */
  existing(id: string, slug: string): Entry | undefined
  newId(): Id
  /** A free last part of the address for a new entry. */
  free(entry: Entry, wanted: string): string
}

type Setter = (entry: Entry, words: string, by: Bringing) => string | null

const setters: Readonly<Record<string, Setter>> = {
  title: (entry, words) => ((entry.title = words.replace(/\s+/g, ' ').trim().slice(0, 500)), null),
  summary: (entry, words) => (
    (entry.summary = words
      .replace(/<[^<>]+>/g, ' ')
      .replace(/\s+/g, ' ')
      .trim()
      .slice(0, 1000)),
    null
  ),
  content(entry, words, by) {
    const lost: string[] = []
    entry.content = by.rich(words, lost)
    return imagesLost(lost)
  },
  picture(entry, words, by) {
    const id = by.named.picture?.(words)
    if (id) entry.picture = id
    return id ? null : `there is no picture ${words.slice(0, 60)}`
  },
  person(entry, words, by) {
    const id = by.named.person?.(words)
    if (id) entry.person = id
    return id ? null : `nobody is called ${words.slice(0, 60)}`
  },
  date(entry, words, { named }) {
    const day = dayNamed(words, named.order)
    if (day) entry.date = day
    return day ? null : `${words.slice(0, 60)} is no day that can be read`
  },
  published(entry, words) {
    const says = /^(yes|true|1|published|publish|public|live|out)$/i.test(words.trim())
    const not = /^(no|false|0|draft|unpublished|private|pending|hidden)$/i.test(words.trim())
    if (says || not) entry.published = says
    return says || not ? null : `published is yes or no, not ${words.slice(0, 60)}`
  },
  parent(entry, words, by) {
    const id = by.named.entry?.(words, by.type.id)
    if (id && id !== entry.id) entry.parent = id
    return id ? null : `there is no page ${words.slice(0, 60)} to stand below`
  },
}

/** Images in a text that are neither here nor came along, as the end of a sentence; null where there are none. */
function imagesLost([first, ...others]: readonly string[]): string | null {
  if (first === undefined) return null
  const more = others.length > 0 ? ` and ${counted(others.length, 'other')}` : ''
  return `the picture ${first.slice(0, 80)}${more} did not come along`
}

function setField(entry: Entry, field: Field, words: string, by: Bringing): string | null {
  const lost: string[] = []
  const value = field.kind === 'rich' ? by.rich(words, lost) : converted(field, words, by.named)
  if (value !== null) entry.fields = { ...entry.fields, [field.id]: value }
  return value === null ? `${field.label} cannot hold ${words.slice(0, 60)}` : imagesLost(lost)
}

function setTerms(entry: Entry, taxonomy: Id, words: string, by: Bringing): string | null {
  const found = partsOf(words).map((title) => [title, by.term(taxonomy, title)] as const)
  entry.terms = [...new Set([...entry.terms, ...found.flatMap(([, id]) => id ?? [])])]
  const lost = found.filter(([, id]) => !id).map(([title]) => title)
  return lost.length ? `there is no ${lost.join(', ').slice(0, 80)}` : null
}

/** The last part of an address in what may be a whole address. */
const lastPart = (words: string): string => slugOf(withoutEnd(before(words.trim(), '?#'), '/').split('/').pop() ?? '')

/** What a row comes to; an empty cell leaves as it is what is there. */
export function bringRow(row: Readonly<Record<string, string>>, by: Bringing): BroughtRow {
  const columnOf = (target: ColumnTarget) => Object.keys(by.columns).find((c) => by.columns[c] === target)
  const wordsAt = (target: ColumnTarget) => (row[columnOf(target) ?? ''] ?? '').trim()
  const [id, slug] = [wordsAt('id'), lastPart(wordsAt('slug'))]
  const was = by.existing(id, slug)
  const entry: Entry = was
    ? { ...was, content: was.content, terms: [...was.terms], fields: { ...was.fields } }
    : { ...blankEntry(/^[\w:-]{1,40}$/.test(id) ? id : by.newId(), by.type.id), published: by.published }
  const lost: string[] = []
  for (const [column, target] of Object.entries(by.columns)) {
    const words = row[column]?.trim() ?? ''
    if (!target || !words) continue
    const own = by.ways?.[column]
    const reader = own ? { ...by, named: { ...by.named, ...own } } : by
    const [kind, of = ''] = target.split(':')
    const field = kind === 'field' ? by.type.fields.find((f) => f.id === of) : undefined
    const why = field
      ? setField(entry, field, words, reader)
      : kind === 'terms'
        ? setTerms(entry, of, words, by)
        : (setters[target]?.(entry, words, reader) ?? null)
    if (why) lost.push(why)
  }
  if (was && slug) entry.slug = slug
  if (!was) entry.slug = by.free(entry, slug || entry.title)
  return { entry, replaces: was !== undefined, changed: !was || !isSame(was, entry), lost }
}
