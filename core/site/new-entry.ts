import { slugOf } from './addresses'
import type { Catalogue } from './catalogue'
import { takenAddress } from './taken'
import type { Entry, Id } from './types'

const MOST_SLUG = 80

/** The same last part of an address with a number behind it, no longer than such a part may be. */
function numbered(slug: string, number: number): string {
  const end = `-${number}`
  return slug.slice(0, MOST_SLUG - end.length).replace(/-+$/, '') + end
}

/** The last part of an address for a title: the first that is free, with a number behind it where it must be. */
export function freeSlug(entry: Entry, wanted: string, catalogue: Catalogue): string {
  const type = catalogue.types.get(entry.type)!
  const base = slugOf(wanted) || 'untitled'
  for (let n = 1; ; n++) {
    const slug = n === 1 ? base : numbered(base, n)
    if (takenAddress({ ...entry, slug }, type, catalogue) === null) return slug
  }
}

/** An entry as it begins: not published, at a free address; with `other`, saying what that says. Its type is known. */
export function newEntry(
  { id, type, title, other, today }: { id: Id; type: Id; title: string; other: Entry | null; today: string },
  catalogue: Catalogue,
): Entry {
  const empty: Entry = {
    id,
    type,
    slug: 'untitled',
    title,
    summary: '',
    content: null,
    picture: null,
    person: null,
    parent: null,
    date: catalogue.types.get(type)!.dated ? today : null,
    terms: [],
    fields: {},
    published: false,
    chosenFrame: null,
  }
  const made = other ? { ...other, id, title, published: false } : empty
  return { ...made, slug: freeSlug(made, title, catalogue) }
}
