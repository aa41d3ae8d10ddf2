import MiniSearch from 'minisearch'
import { type Catalogue, type Entry, richText } from '../../core/site'

const INDEXES = new WeakMap<Catalogue, MiniSearch>()

function indexOf(catalogue: Catalogue): MiniSearch {
  let index = INDEXES.get(catalogue)
  if (!index) {
    index = new MiniSearch({
      fields: ['title', 'summary', 'more', 'content'],
      searchOptions: { boost: { title: 4, summary: 2 }, prefix: true, fuzzy: 0.15, combineWith: 'AND' },
    })
    const published = catalogue.site.entries.filter((e) => e.published)
    index.addAll(
      published.map((e) => ({
        id: e.id,
        title: e.title,
        summary: e.summary,
        more: moreOf(e),
        content: richText(e.content),
      })),
    )
    INDEXES.set(catalogue, index)
  }
  return index
}

const MOST_WORDS = 12

const moreOf = (entry: Entry): string =>
  Object.values(entry.fields)
    .filter((v) => typeof v === 'string')
    .join(' ')

/** Published entries that hold all the words, best first. The index is made once for each state of the content. */
export function searchEntries(catalogue: Catalogue, words: string, most = 48): Entry[] {
  // Every word is looked for in all its near spellings, so only so many are heard.
  const query = words.trim().slice(0, 200).split(/\s+/).slice(0, MOST_WORDS).join(' ')
  if (!query) return []
  return indexOf(catalogue)
    .search(query)
    .slice(0, most)
    .flatMap((hit) => catalogue.entries.get(String(hit.id)) ?? [])
}
