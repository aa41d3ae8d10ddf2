import { fieldsNamed, filledProps, elementSpec, kindName, nodeName } from '#core/elements'
import { fieldLabel } from '#core/catalogue'
import { type TreeNode, walk } from '#core/tree'
import { useBench } from '~/stores/bench'
import { type Findable, useFinder } from '~/stores/finder'
import { useSite } from '~/stores/site'

/** What the actions of the bench are found by, besides those that keys alone make sense of. */
export type BenchAction = Pick<Findable, 'label' | 'keys' | 'run'>

/** Tells the finder what is on the bench: each thing by its name, its words or its field, and what can be done. */
export function useBenchFindables(actions: () => BenchAction[]) {
  const bench = useBench()
  const site = useSite()
  const finder = useFinder()
  const names = useElementNames()

  function wordsOf(node: TreeNode): string {
    if (node.kind !== 'element') return ''
    const says = elementSpec(node.type)?.summary(filledProps(node), names.value) ?? ''
    const fields = fieldsNamed(node).map((f) => fieldLabel(site.catalogue!, f) ?? '')
    return [says, ...fields.filter((f) => !says.includes(f))].filter(Boolean).join(', ')
  }

  function things(): Findable[] {
    if (!bench.layout) return []
    return [...walk(bench.layout)].map((node) => {
      const words = wordsOf(node)
      return {
        key: `node ${node.id}`,
        label: words ? `${nodeName(node)}: ${words}` : nodeName(node),
        about: node.name ? kindName(node).toLowerCase() : '',
        group: 'Here' as const,
        run: () => bench.choose(node.id),
      }
    })
  }

  const doings = (): Findable[] =>
    actions().map((action) => ({ ...action, key: `do ${action.label}`, about: '', group: 'Do' as const }))

  finder.here = () => [...doings(), ...things()]
  onBeforeUnmount(() => (finder.here = () => []))
}
