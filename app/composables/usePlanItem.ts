import { steppedAt } from '#core/styles'
import type { TreeNode } from '#core/tree'
import { useBench } from '~/stores/bench'

/** How something stands on the plan: in hand, come to by the Tab key, or not drawn now, with the reason. */
export function usePlanItem(node: () => TreeNode) {
  const bench = useBench()
  const selected = computed(() => bench.chosen.includes(node().id))
  const tabindex = computed(() => (bench.focusable === node().id ? 0 : -1))
  const { whyNot } = useConditions()
  const away = computed(() => steppedAt(node().styles.shown, bench.step) === 'hidden')
  const not = computed(() => (node().when ? whyNot(node()) : ''))
  const hidden = computed(() => away.value || not.value !== '')
  const why = computed(() => (away.value ? `, hidden on ${bench.step} screens` : not.value && `, ${not.value}`))
  return { selected, tabindex, hidden, why }
}
