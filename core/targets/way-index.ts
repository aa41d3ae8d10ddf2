import type { Id } from '../model'
import type { Facts } from './facts'
import type { LookUp, PageIndex } from './spec'

type List = number[]
type Lists = Map<Id, List>

function listIn(map: Lists, key: Id): List {
  let list = map.get(key)
  if (!list) map.set(key, (list = []))
  return list
}

/** Ways by the indexes of their targets: lists of places in the total order, each ascending. */
export class WayIndex {
  /** Indexes that all entries of a type look up alike, and those that each page looks up by itself. */
  private readonly byType = new Map<PageIndex, Lists>()
  private readonly byPage = new Map<PageIndex, Lists>()
  private readonly chosen: Lists = new Map()
  private readonly ofType = new Map<Id, readonly number[]>()

  /** The list of an index and a key, to be added to. */
  listAt([index, key]: LookUp): List {
    const maps = index.byType ? this.byType : this.byPage
    let lists = maps.get(index)
    if (!lists) maps.set(index, (lists = new Map()))
    return listIn(lists, key)
  }

  chosenList(frame: Id): List {
    return listIn(this.chosen, frame)
  }

  private allByType(facts: Facts): number[] {
    const found: number[] = []
    for (const [index, lists] of this.byType)
      for (const key of index.keys(facts)) {
        const list = lists.get(key)
        if (list) for (const at of list) found.push(at)
      }
    return found.sort((a, b) => a - b)
  }

  /** What may cover any entry of a type (empty: any page that is no entry), as one list: every one of them asks for it. */
  private listOfType(type: Id, facts: Facts): readonly number[] {
    let list = this.ofType.get(type)
    if (!list) this.ofType.set(type, (list = this.allByType(facts)))
    return list
  }

  /** Puts the lists that can hold ways to a page into `found`; gives how many there are. */
  lookUp(facts: Facts, found: (readonly number[])[]): number {
    const { entry } = facts
    let n = 0
    const add = (list: readonly number[] | undefined) => {
      if (list && list.length > 0) found[n++] = list
    }
    add(this.listOfType(entry?.type ?? '', facts))
    for (const [index, lists] of this.byPage) for (const key of index.keys(facts)) add(lists.get(key))
    if (entry?.chosenFrame) add(this.chosen.get(entry.chosenFrame))
    return n
  }
}
