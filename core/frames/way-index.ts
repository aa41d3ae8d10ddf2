import type { Id } from '../model'
import { WORKING_KINDS } from '../catalogue'
import { type Facts, keysOf } from './facts'
import type { ListName, LookUp } from './spec'

type List = number[]

/** Ways by what a page can be looked up by: lists of places in the total order, each ascending. */
export class WayIndex {
  private readonly lists: Readonly<Record<ListName, Map<Id, List>>> = {
    every: new Map(),
    entries: new Map(),
    archives: new Map(),
    working: new Map(),
    people: new Map(),
    page: new Map(),
    type: new Map(),
    'type-archives': new Map(),
    'term-pages': new Map(),
    term: new Map(),
    person: new Map(),
    above: new Map(),
  }

  private readonly chosen = new Map<Id, List>()

  private static list(map: Map<Id, List>, key: Id): List {
    let list = map.get(key)
    if (!list) map.set(key, (list = []))
    return list
  }

  /** The list of a name and an id, to be added to. */
  listAt([name, id]: LookUp): List {
    return WayIndex.list(this.lists[name], id)
  }

  chosenList(frame: Id): List {
    return WayIndex.list(this.chosen, frame)
  }

  private readonly broad = new Map<Id, readonly number[]>()

  /** What can cover any entry of a type, as one list: it is asked for by every one of them. */
  private broadFor(type: Id): readonly number[] {
    let list = this.broad.get(type)
    if (!list) {
      const { every, entries, type: types } = this.lists
      const all = [...(every.get('') ?? []), ...(entries.get('') ?? []), ...(types.get(type) ?? [])]
      this.broad.set(type, (list = all.sort((a, b) => a - b)))
    }
    return list
  }

  /** Puts the lists that can hold ways to a page into `found`; gives how many there are. */
  lookUp(facts: Facts, found: (readonly number[])[]): number {
    const { page, entry, archive, above } = facts
    let n = 0
    const add = (list: readonly number[] | undefined) => {
      if (list && list.length > 0) found[n++] = list
    }
    const { lists } = this
    add(entry ? this.broadFor(entry.type) : lists.every.get(''))
    add(lists.page.get(page.key))
    if (page.kind === 'home') for (const key of keysOf(page).slice(1)) add(lists.page.get(key))
    if (entry) {
      for (const term of entry.terms) add(lists.term.get(term))
      if (entry.person) add(lists.person.get(entry.person))
      for (const id of above) add(lists.above.get(id))
      if (entry.chosenFrame) add(this.chosen.get(entry.chosenFrame))
    }
    if (archive) {
      add(lists.archives.get(''))
      if (page.type) add(lists['type-archives'].get(page.type))
    }
    if (page.kind === 'term') add(lists['term-pages'].get(page.taxonomy!))
    if (page.kind === 'person') add(lists.people.get(''))
    if (WORKING_KINDS.has(page.kind)) add(lists.working.get(''))
    return n
  }
}
