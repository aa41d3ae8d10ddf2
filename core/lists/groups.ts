import { type Catalogue, directoryOf } from '../catalogue'
import { READINGS, type ValueGroup } from '../fields'
import type { Entry, Id } from '../model'
import { dayOf } from '../time'
import { readerOf } from './reading'

/** How a list is parted by headings: by a field that refers to something, by first letters, or by months. */
export interface Grouping {
  by: 'field' | 'letter' | 'month'
  /** For letters and months: of which field; the title, and the date, unless it is said. */
  field: Id
  down: boolean
}

/** The group that an entry stands in: what tells it from others, and by what it is sorted among them. */
export interface Group extends Omit<ValueGroup, 'of'> {
  /** What it is about: a term, a person, an entry; for letters the letter, for months `YYYY-MM`. */
  of: ValueGroup['of'] | { kind: 'month'; value: string }
}

const words = (text: string, rank: number | string = text): Group => ({
  key: text,
  rank,
  of: { kind: 'words', value: text },
})

function byField(catalogue: Catalogue, field: Id): (entry: Entry) => Group | null {
  const read = readerOf(catalogue, field)
  const directory = directoryOf(catalogue)
  return (entry) => {
    const found = read(entry)
    return found && READINGS[found.kind].group(found.value, found.field, directory)
  }
}

const BASES = new Map<string, Intl.Collator>()

/** Compares letters as a language has them in its alphabet: Å is an A in German, and a letter of its own in Swedish. */
function basesOf(locale: string): Intl.Collator {
  let bases = BASES.get(locale)
  if (!bases) BASES.set(locale, (bases = new Intl.Collator(locale, { sensitivity: 'base' })))
  return bases
}

const WRITTEN = new Intl.Segmenter('und')

/**
 * The letter under which people who read a language (BCP 47) look for a text: in capitals, without the accents that
 * make no other letter of it there. What begins with no letter stands under #.
 */
function letterOf(text: string, locale: string): string {
  const first =
    WRITTEN.segment(text.trim().slice(0, 40).normalize('NFC'))[Symbol.iterator]().next().value?.segment ?? ''
  const [plain = ''] = first.normalize('NFD')
  if (!/\p{L}/u.test(plain)) return '#'
  const letter = basesOf(locale).compare(plain, first) === 0 ? plain : first
  const [capital = letter] = letter.toLocaleUpperCase(locale)
  return capital
}

/** Tells of each entry in which group it stands; null where it stands in none. */
export function groupOf(catalogue: Catalogue, { by, field }: Grouping): (entry: Entry) => Group | null {
  if (by === 'field') return byField(catalogue, field)
  const read = readerOf(catalogue, field || (by === 'letter' ? 'title' : 'date'))
  const { timeZone, locale } = catalogue.site.settings
  if (by === 'letter')
    return (entry) => {
      const value = read(entry)?.value
      return typeof value === 'string' ? words(letterOf(value, locale)) : null
    }
  return (entry) => {
    const value = read(entry)?.value
    const month = typeof value === 'string' ? dayOf(value, timeZone)?.slice(0, 7) : undefined
    return month ? { key: month, rank: month, of: { kind: 'month', value: month } } : null
  }
}
