import type { Catalogue } from '../catalogue'
import type { Id } from '../model'
import type { ListName } from './spec'
import { type Target, targetSpec } from './targets'

/** The entries that stand in a list, or the key of the page that it is; lists of other pages name none. */
type Find = (id: Id, catalogue: Catalogue) => readonly { id: Id }[]
const ENTRIES: Partial<Record<ListName, Find>> = {
  type: (id, catalogue) => catalogue.entriesOfType(id),
  term: (id, catalogue) => catalogue.entriesInTerm(id),
  person: (id, catalogue) => catalogue.entriesBy(id),
}

/** Pages that the targets may cover, as indexes into `catalogue.pages`; null when that may be any. */
export function reachable(targets: readonly Target[], catalogue: Catalogue): Iterable<number> | null {
  const found = new Set<number>()
  const add = (key: string) => {
    const at = catalogue.indexOf(key)
    if (at !== undefined) found.add(at)
  }
  for (const target of targets) {
    for (const [list, id] of targetSpec(target).lists(target, catalogue)) {
      const find = ENTRIES[list]
      if (list === 'page') add(id)
      else if (find) for (const entry of find(id, catalogue)) add(`entry:${entry.id}`)
      else return null
    }
  }
  return found
}
