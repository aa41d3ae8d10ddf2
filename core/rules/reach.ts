import type { Catalogue } from '../catalogue'
import { type Target, targetSpec } from '../targets'

/** Pages that the targets may cover, as indexes into `catalogue.pages`; null when that may be any. */
export function reachable(targets: readonly Target[], catalogue: Catalogue): Iterable<number> | null {
  const found = new Set<number>()
  const add = (key: string) => {
    const at = catalogue.indexOf(key)
    if (at !== undefined) found.add(at)
  }
  for (const target of targets) {
    for (const [index, key] of targetSpec(target).lists(target, catalogue)) {
      if (!index.pages) return null
      for (const page of index.pages(key, catalogue)) add(page)
    }
  }
  return found
}
