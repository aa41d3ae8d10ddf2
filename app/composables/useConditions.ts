import { type Condition, conditionHolds, conditionWords } from '#core/conditions'
import { countOf, subjectOf } from '#core/catalogue'
import type { TreeNode } from '#core/tree'
import { useBench } from '~/stores/bench'
import { useMap } from '~/stores/map'
import { useSite } from '~/stores/site'

/** What things on the bench are shown for, in words and as it stands on the page that is looked at. */
export function useConditions() {
  const bench = useBench()
  const map = useMap()
  const site = useSite()

  const words = (condition: Condition): string =>
    conditionWords(condition, {
      field: (id) => map.names?.field(bench.page?.type ?? null, id) ?? id,
      term: (id) => map.names?.term(id) ?? id,
      choice: (id, value) => map.names?.choice(bench.page?.type ?? null, id, value) ?? String(value),
    })

  /** Whether it holds for the entry of the page shown and for whoever is looking. */
  function holdsNow(condition: Condition): boolean {
    const { catalogue } = site
    if (!catalogue || !bench.page) return true
    const entry = bench.page.entry ? (catalogue.entries.get(bench.page.entry) ?? null) : null
    const { page } = bench
    const count = () => countOf(subjectOf(catalogue, page), { catalogue, page, found: [] }) ?? 0
    return conditionHolds(condition)({ entry, request: map.request, catalogue, count })
  }

  /** Why something is not drawn now; empty where it is. */
  function whyNot(node: TreeNode): string {
    const failing = node.when?.find((c) => !holdsNow(c))
    return failing ? `shown only ${words(failing)}` : ''
  }

  return { words, holdsNow, whyNot }
}
