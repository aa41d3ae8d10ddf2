import { type Catalogue, type Id, WORKING_KINDS } from '../site'
import { type Facts, keysOf } from './match'
import { termsOf } from './target-test'
import type { Target } from './types'

/** Ways by what a page can be looked up by: lists of places in the total order, each ascending. */
export class WayIndex {
  readonly every: number[] = []
  readonly pages = new Map<string, number[]>()
  readonly entries: number[] = []
  readonly archives: number[] = []
  readonly working: number[] = []
  readonly people: number[] = []
  readonly types = new Map<Id, number[]>()
  readonly archivesOf = new Map<Id, number[]>()
  readonly termPages = new Map<Id, number[]>()
  readonly terms = new Map<Id, number[]>()
  readonly persons = new Map<Id, number[]>()
  readonly above = new Map<Id, number[]>()
  readonly chosen = new Map<Id, number[]>()

  private static list(map: Map<Id, number[]>, key: Id): number[] {
    let list = map.get(key)
    if (!list) map.set(key, (list = []))
    return list
  }

  /** The lists in which a target stands: those of the first fact that a page can be looked up by. */
  listsOf(target: Target, catalogue: Catalogue): number[][] {
    const { list } = WayIndex
    switch (target.kind) {
      case 'every':
        return [this.every]
      case 'kind':
        return [this[target.pages]]
      case 'type':
        return [list(this.types, target.type)]
      case 'type-archives':
        return [list(this.archivesOf, target.type)]
      case 'term-pages':
        return [list(this.termPages, target.taxonomy)]
      case 'person-pages':
        return [this.people]
      case 'page':
        return [list(this.pages, target.page)]
      case 'entries':
        return this.listsOfEntries(target, catalogue)
    }
  }

  private listsOfEntries(target: Extract<Target, { kind: 'entries' }>, catalogue: Catalogue): number[][] {
    const { list } = WayIndex
    for (const r of target.where) {
      if (r.kind === 'term') return [...termsOf(r, catalogue)].map((t) => list(this.terms, t))
      if (r.kind === 'person') return [...new Set(r.people)].map((p) => list(this.persons, p))
      if (r.kind === 'below') return [...new Set(r.entries)].map((e) => list(this.above, e))
    }
    return [target.type === null ? this.entries : list(this.types, target.type)]
  }

  chosenList(frame: Id): number[] {
    return WayIndex.list(this.chosen, frame)
  }

  private readonly broad = new Map<Id, readonly number[]>()

  /** What can cover any entry of a type, as one list: it is asked for by every one of them. */
  private broadFor(type: Id): readonly number[] {
    let list = this.broad.get(type)
    if (!list) {
      const all = [...this.every, ...this.entries, ...(this.types.get(type) ?? [])]
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
    add(entry ? this.broadFor(entry.type) : this.every)
    add(this.pages.get(page.key))
    if (page.kind === 'home') for (const key of keysOf(page).slice(1)) add(this.pages.get(key))
    if (entry) {
      for (const term of entry.terms) add(this.terms.get(term))
      if (entry.person) add(this.persons.get(entry.person))
      for (const id of above) add(this.above.get(id))
      if (entry.chosenFrame) add(this.chosen.get(entry.chosenFrame))
    }
    if (archive) {
      add(this.archives)
      if (page.type) add(this.archivesOf.get(page.type))
    }
    if (page.kind === 'term') add(this.termPages.get(page.taxonomy!))
    if (page.kind === 'person') add(this.people)
    if (WORKING_KINDS.has(page.kind)) add(this.working)
    return n
  }
}
