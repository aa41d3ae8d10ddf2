import type { Catalogue } from './catalogue'
import type { Id, SiteSettings } from '../model'
import type { ReadContext } from '../fields'
import { dayOrderOf } from '../time'
import { decimalOf } from '../numbers'

const plain = (words: string): string => words.trim().toLowerCase()

/** Ids by what things are called; of several called alike the first. */
function byNames<T extends { id: Id }>(things: Iterable<T>, names: (thing: T) => string[]): Map<string, Id> {
  const found = new Map<string, Id>()
  for (const thing of things)
    for (const name of names(thing)) if (name && !found.has(plain(name))) found.set(plain(name), thing.id)
  return found
}

/** Made at the first question: looking names up in a large site goes through all of it once. */
function once<T>(make: () => T): () => T {
  let made: { value: T } | null = null
  return () => (made ??= { value: make() }).value
}

const WRITTEN = new WeakMap<SiteSettings, Pick<Required<ReadContext>, 'decimal' | 'order' | 'currency'>>()

/** How numbers, days and amounts are written on a site, by its language and its currency. */
export function writtenIn(settings: SiteSettings): Pick<Required<ReadContext>, 'decimal' | 'order' | 'currency'> {
  let written = WRITTEN.get(settings)
  if (!written) {
    const { locale, currency } = settings
    WRITTEN.set(settings, (written = { decimal: decimalOf(locale), order: dayOrderOf(locale), currency }))
  }
  return written
}

/** What the things of a site are called: pictures by file name, people by name, entries by title or address. */
export function namedIn({ site }: Catalogue): Required<ReadContext> {
  const pictures = once(() =>
    byNames(site.pictures, (p) => [p.id, p.fileName, p.fileName.replace(/\.\w+$/, ''), p.alt]),
  )
  const people = once(() => byNames(site.people, (p) => [p.id, p.name, p.slug, p.mail]))
  const entries = new Map<Id | undefined, () => Map<string, Id>>()
  const entriesOf = (type: Id | undefined) => {
    const of = entries.get(type) ?? once(() => byNames(entriesLike(type), (e) => [e.id, e.title, e.slug]))
    entries.set(type, of)
    return of()
  }
  const entriesLike = (type: Id | undefined) => site.entries.filter((e) => !type || e.type === type)
  return {
    ...writtenIn(site.settings),
    // Files are often named with the folders that they lay in.
    picture: (words) => pictures().get(plain(words)) ?? pictures().get(plain(words.split('/').pop()!)),
    person: (words) => people().get(plain(words)),
    entry: (words, type) => entriesOf(type).get(plain(words)),
  }
}
