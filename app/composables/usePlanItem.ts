import { steppedAt } from '#core/styles'
import type { TreeNode } from '#core/tree'
import { useBench } from '~/stores/bench'

/** How something stands on the plan: in hand, come to by the Tab key, hidden at the width that is looked at. */
export function usePlanItem(node: () => TreeNode) {
  const bench = useBench()
  const selected = computed(() => bench.chosen.includes(node().id))
  const tabindex = computed(() => (bench.focusable === node().id ? 0 : -1))
  const hidden = computed(() => steppedAt(node().styles.shown, bench.step) === 'hidden')
  const why = computed(() => (hidden.value ? `, hidden on ${bench.step} screens` : ''))
  return { selected, tabindex, hidden, why }
}
