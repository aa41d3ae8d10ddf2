import { nanoid } from 'nanoid'
import { elementSpec } from '#core/elements'
import { becomesLook, giveNamedLook } from '#core/editor'
import { type NamedLook, looksFor } from '#core/styles'
import { type LayoutElement, type TreeNode, copyOf } from '#core/tree'
import { useBench } from '~/stores/bench'
import { useDesign } from '~/stores/design'
import { useNotices } from '~/stores/notices'

/** The kind of thing that a named look is for. */
export const lookedKind = (node: TreeNode): string => (node.kind === 'element' ? node.type : node.kind)

/** Kinds that say by a value of theirs which look they have, as buttons do. */
const saysItself = (node: TreeNode): boolean =>
  node.kind === 'element' && Object.values(elementSpec(node.type)?.props ?? {}).some((p) => p.kind === 'look')

/** Named looks of the house style for what is in hand: given, taken away, and made of the looks that a thing has. */
export function useNamedLooks() {
  const bench = useBench()
  const design = useDesign()
  const notices = useNotices()
  const node = computed(() => bench.nodes.at(-1))
  const alike = computed(() => bench.nodes.every((n) => lookedKind(n) === lookedKind(node.value!)))
  const offered = computed<NamedLook[]>(() =>
    node.value && alike.value && !saysItself(node.value) ? looksFor(design.house, lookedKind(node.value)) : [],
  )
  const mayKeep = computed(
    () =>
      bench.nodes.length === 1 &&
      node.value !== undefined &&
      !saysItself(node.value) &&
      (Object.keys(node.value.styles).length > 0 || Object.keys((node.value as LayoutElement).looks ?? {}).length > 0),
  )

  function give(look: string): void {
    if (bench.apply(giveNamedLook(bench.chosen, look))) bench.tell(look ? 'Look given' : 'Without a named look')
  }

  /** Makes a named look of the house style of what a thing looks like, which has it from then on. */
  async function keep(name: string): Promise<void> {
    const one = node.value
    if (!one) return
    const looks = one.kind === 'element' ? copyOf(one.looks ?? {}) : {}
    const item: NamedLook = { id: nanoid(10), name, for: lookedKind(one), styles: copyOf(one.styles), looks }
    const made = await notices.attempt(() => design.addLook(item))
    if (made && bench.apply(becomesLook(bench.layout!, one.id, item))) bench.tell(`Kept as “${name}”`)
  }

  return { offered, mayKeep, give, keep }
}
