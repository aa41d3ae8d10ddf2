import { slugOf } from '../addresses'
import { blankEntry, firstFree, type Entry, type Id } from '../model'
import type { Catalogue } from './catalogue'
import { takenAddress } from './taken'

const MOST_SLUG = 80

/** The last part of an address for a title: the first that is free, with a number behind it where it must be. */
export function freeSlug(entry: Entry, wanted: string, catalogue: Catalogue): string {
  const type = catalogue.types.get(entry.type)!
  const alike = (slug: string) => catalogue.withSlug(slug).some((e) => e.type === type.id && e.id !== entry.id)
  return firstFree(
    slugOf(wanted) || 'untitled',
    MOST_SLUG,
    (slug) => alike(slug) || takenAddress({ ...entry, slug }, type, catalogue) !== null,
  )
}

/** An entry as it begins: not published, at a free address; with `other`, saying what that says. Its type is known. */
export function newEntry(
  { id, type, title, other, today }: { id: Id; type: Id; title: string; other: Entry | null; today: string },
  catalogue: Catalogue,
): Entry {
  const { dated } = catalogue.types.get(type)!
  const empty: Entry = { ...blankEntry(id, type), title, date: dated ? today : null, published: false }
  const made = other ? { ...other, id, title, published: false } : empty
  return { ...made, slug: freeSlug(made, title, catalogue) }
}
