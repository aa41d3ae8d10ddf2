import { Catalogue, ARCHIVE_KINDS } from '../catalogue'
import { addDays, type Day } from '../time'
import { askedWords, findByWords } from '../text'
import { newestFirst, type Entry, type Page } from '../model'

/** What a page that lists entries is looked at with while it is designed: what it lists, nothing at all, or very much. */
export type Sample = 'real' | 'none' | 'many'

/** Screens that a list has where it holds very much. */
export const MANY_SCREENS = 40
/** So many entries are made up at most, however many stand on a screen. */
const MOST_MADE = 4000

/** A page as it is looked at: over which content, asked by which words, on which screen of its list. */
export interface Sampled {
  catalogue: Catalogue
  page: Page
  query: string
  found: readonly Entry[]
  likely: readonly Entry[]
  screen: number
}

const kept = new WeakMap<Catalogue, Map<string, { state: object; catalogue: Catalogue }>>()

const SOME_DAY = '2020-12-31' as Day

/** A catalogue that is made once for each state of the one it is made from. */
function derived(from: Catalogue, key: string, make: () => readonly Entry[]): Catalogue {
  let made = kept.get(from)
  if (!made) kept.set(from, (made = new Map()))
  const known = made.get(key)
  if (known?.state === from.state) return known.catalogue
  const catalogue = new Catalogue({ ...from.site, entries: [...make()] })
  // The last one is asked for again and again, and another seldom.
  made.clear()
  made.set(key, { state: from.state, catalogue })
  return catalogue
}

/** The same entries without those that a page lists. */
function without(catalogue: Catalogue, page: Page): Entry[] {
  const listed = new Set(catalogue.listing(page).map((e) => e.id))
  return catalogue.site.entries.map((e) => (listed.has(e.id) ? { ...e, published: false } : e))
}

/** One of many that are made after an entry. */
const copyOf = (model: Entry, i: number): Entry => ({
  ...model,
  id: `sample-${i}`,
  slug: `sample-${i}`,
  parent: null,
})

/** The same entries, with copies of those that a page lists, or of others as they would be there, up to so many. */
function multiplied(catalogue: Catalogue, page: Page, wanted: number): Entry[] {
  const listed = catalogue.listing(page)
  const models = listed.length > 0 ? listed : likeThose(catalogue, page)
  const copies: Entry[] = []
  for (let i = 0; models.length > 0 && listed.length + copies.length < wanted; i++) {
    const model = models[i % models.length]!
    // One after the other, so that a list that goes by the day does not show one of them many times in a row.
    copies.push({ ...copyOf(model, i), date: page.time ? model.date : addDays(SOME_DAY, -i) })
  }
  return [...catalogue.site.entries, ...copies]
}

/** Entries that could stand on a page that lists none: those of the types that may be in its term. */
function likeThose({ site, isOut }: Catalogue, { term, taxonomy }: Page): Entry[] {
  if (!term || !taxonomy) return []
  const types = new Set(site.types.filter((t) => t.taxonomies.includes(taxonomy)).map((t) => t.id))
  return site.entries.filter((e) => types.has(e.type) && isOut(e)).map((e) => ({ ...e, terms: [...e.terms, term] }))
}

/** A page over the content as it is, as somebody meets it who asks for nothing. */
export const asItIs = (catalogue: Catalogue, page: Page): Sampled => ({
  catalogue,
  page: catalogue.page(page.key) ?? page,
  query: '',
  found: [],
  likely: [],
  screen: 1,
})

const MOST_LIKELY = 6

/** What searches are looked at with: a word that most titles share, what it finds, and what was written last. */
interface Findable {
  word: string
  found: readonly Entry[]
  out: readonly Entry[]
  newest: readonly Entry[]
}

const FINDABLE = new WeakMap<Catalogue, { state: object; findable: Findable }>()

/** Found out once for each state of the content: all titles are gone through for it. */
function findableIn(catalogue: Catalogue): Findable {
  const known = FINDABLE.get(catalogue)
  if (known?.state === catalogue.state) return known.findable
  const out = catalogue.site.entries.filter(catalogue.isOut)
  const word = commonWord(out)
  const titled = out.filter((e) => e.title !== '').sort(newestFirst)
  const found = word ? findByWords(out, word, (e) => e.title) : []
  const findable = { word, found, out, newest: titled.slice(0, MOST_LIKELY) }
  FINDABLE.set(catalogue, { state: catalogue.state, findable })
  return findable
}

function commonWord(out: readonly Entry[]): string {
  const counts = new Map<string, number>()
  for (const { title } of out)
    for (const word of new Set(askedWords(title))) if (word.length > 3) counts.set(word, (counts.get(word) ?? 0) + 1)
  return [...counts].sort((a, b) => b[1] - a[1] || a[0].localeCompare(b[0]))[0]?.[0] ?? ''
}

const NOWHERE = 'qwxyz'

function search(catalogue: Catalogue, page: Page, sample: Sample, wanted: number): Sampled {
  const base = asItIs(catalogue, page)
  const { word, found, out, newest } = findableIn(catalogue)
  if (sample === 'none') return { ...base, query: NOWHERE, likely: newest }
  if (sample === 'real') return { ...base, query: word, found }
  const models = found.length > 0 ? found : out
  const copies = Array.from({ length: models.length > 0 ? wanted : 0 }, (_, i) => copyOf(models[i % models.length]!, i))
  const many = derived(catalogue, `${page.key} many ${wanted}`, () => [...catalogue.site.entries, ...copies])
  return { ...asItIs(many, page), query: word, found: copies, screen: MANY_SCREENS / 2 }
}

/** Whether a page can be looked at with a sample: pages that list entries, and those of people and months never without one. */
export function hasSample({ kind }: Page, sample: Sample): boolean {
  if (sample === 'none') return kind === 'archive' || kind === 'term' || kind === 'search'
  return ARCHIVE_KINDS.has(kind) || kind === 'search'
}

/** A page with a sample of what it lists; `most` is how many stand on one screen. */
export function sampled(catalogue: Catalogue, page: Page, sample: Sample, most: number): Sampled {
  const wanted = Math.min(MOST_MADE, MANY_SCREENS * Math.max(1, most))
  if (page.kind === 'search') return search(catalogue, page, sample, wanted)
  if (page.kind === 'not-found') return { ...asItIs(catalogue, page), likely: findableIn(catalogue).newest }
  if (sample === 'real' || !hasSample(page, sample)) return asItIs(catalogue, page)
  const make = sample === 'none' ? without : multiplied
  const other = derived(catalogue, `${page.key} ${sample} ${wanted}`, () => make(catalogue, page, wanted))
  return { ...asItIs(other, page), screen: sample === 'many' ? MANY_SCREENS / 2 : 1 }
}
