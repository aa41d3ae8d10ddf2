import { withoutEnd } from '../text'
import type { Entry, Id, PageType } from './types'

/** An entry that says nothing yet. */
export const blankEntry = (id: Id, type: Id): Entry => ({
  id,
  type,
  slug: id,
  title: '',
  summary: '',
  content: null,
  picture: null,
  person: null,
  parent: null,
  date: null,
  terms: [],
  fields: {},
  published: true,
  chosenFrame: null,
})

/** A page type with an archive and without fields of its own. */
export const blankType = (id: Id, name: string, plural: string, slug: string): PageType => ({
  id,
  name,
  plural,
  slug,
  archive: true,
  dated: false,
  tree: false,
  personLabel: 'Author',
  taxonomies: [],
  fields: [],
})

/** The first that is not taken: a name as it is, or with a number behind it, no longer than it may be. */
export function firstFree(name: string, most: number, taken: (name: string) => boolean): string {
  for (let n = 1; ; n++) {
    const end = n === 1 ? '' : `-${n}`
    const free = withoutEnd(name.slice(0, most - end.length), '-') + end
    if (!taken(free)) return free
  }
}
