import { steppedAt } from '#core/styles'
import type { TreeNode } from '#core/tree'
import { useBench } from '~/stores/bench'
import { useFollowing } from '~/stores/following'

/** How something of a variation stands to its base, as a mark and in words. */
export const OWN_MARKS = { added: '+', moved: '↕', changed: '≠' } as const
const OWN_WORDS = { added: 'added here', moved: 'moved here', changed: 'changed here' } as const

/** How something stands on the plan: in hand, come to by the Tab key, or not drawn now, with the reason. */
export function usePlanItem(node: () => TreeNode) {
  const bench = useBench()
  const following = useFollowing()
  const selected = computed(() => bench.chosen.includes(node().id))
  const tabindex = computed(() => (bench.focusable === node().id ? 0 : -1))
  const { whyNot } = useConditions()
  const away = computed(() => steppedAt(node().styles.shown, bench.step) === 'hidden')
  const not = computed(() => (node().when ? whyNot(node()) : ''))
  const hidden = computed(() => away.value || not.value !== '')
  const own = computed(() => following.markOf(node().id))
  const follows = computed(() => (own.value ? `, ${OWN_WORDS[own.value]}` : ''))
  const unseen = computed(() => (away.value ? `, hidden on ${bench.step} screens` : not.value && `, ${not.value}`))
  const why = computed(() => unseen.value + follows.value)
  return { selected, tabindex, hidden, why, own }
}
