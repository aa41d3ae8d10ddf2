import { kindName, sortName, sortOf } from '#core/elements'
import { giveLooks, giveLooksToAll } from '#core/editor'
import { type StyleGroup, styleProperty } from '#core/styles'
import { type Styles, copyOf } from '#core/tree'
import { useBench } from '~/stores/bench'
import { useNotices } from '~/stores/notices'

/** Looks that were copied last, in this window. */
const copied = shallowRef<Styles | null>(null)

/** What is done to the looks of what is in hand as a whole. */
export function useLooks() {
  const bench = useBench()
  const notices = useNotices()

  function copy(): void {
    const node = bench.nodes.at(-1)
    if (!node) return
    copied.value = copyOf(node.styles)
    notices.say(`Copied the looks of ${kindName(node)}. Give them to whatever is in hand next.`)
  }

  /** Gives what was copied: all of it, or what belongs to one group of looks. */
  function paste(group?: StyleGroup): void {
    if (!copied.value) return
    const only = group && ((property: string) => styleProperty(property)?.group === group)
    if (bench.apply(giveLooks(bench.layout!, copied.value, bench.chosen, only))) bench.tell('Looks given')
  }

  function giveToAll(): void {
    if (bench.selected && bench.apply(giveLooksToAll(bench.layout!, bench.selected)))
      bench.tell('All of its kind look so')
  }

  /** What one of its kind is called: "heading, level 2". */
  const kind = computed(() => {
    const node = bench.nodes.at(-1)
    if (!node) return ''
    const sort = node.kind === 'element' ? sortOf(node) : null
    return (sort && sortName(sort)?.toLowerCase()) ?? kindName(node).toLowerCase()
  })

  return { copied, copy, paste, giveToAll, kind }
}
