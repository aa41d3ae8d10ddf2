import { type BoxOf, type Drop, dropAt } from '#core/editor'
import { useBench } from '~/stores/bench'

/**
 * Where something new that is carried over the window would land in a view of the layout: `view` is where it stands in
 * the window, `scale` how large it is seen, and its boxes are counted from its own corner.
 */
export function useLanding(view: () => DOMRect | undefined, boxOf: BoxOf, scale: () => number = () => 1) {
  const bench = useBench()
  const drop = shallowRef<Drop | null>(null)
  watch(
    () => bench.carried,
    (carried) => {
      const own = carried ? view() : undefined
      drop.value = null
      if (!carried || !own || carried.x < own.x || carried.x > own.right || carried.y < own.y || carried.y > own.bottom)
        return
      const at = { x: (carried.x - own.x) / scale(), y: (carried.y - own.y) / scale() }
      drop.value = dropAt(bench.layout!, boxOf, at, { kind: carried.item.spans ? 'row' : 'element' })
      bench.landing = drop.value
    },
    { flush: 'sync' },
  )
  return drop
}
