import type { LayoutDocument } from '#core/tree'
import { useDesign } from '~/stores/design'
import { useMap } from '~/stores/map'
import { useSite } from '~/stores/site'

/** Layouts that were kept to begin from, drawn with the content there is. */
export function useKeptStarters() {
  const design = useDesign()
  const site = useSite()
  const map = useMap()
  const { draw } = useDrawing()

  function keptPicture({ id, region }: LayoutDocument): string {
    const page = firstPageFor(design.trees.tree(id)!, site.catalogue!, null)
    const { design: all, rules } = design
    return draw({ design: all, rules, page, request: map.request, inHand: { layout: id, region }, alone: true })
  }
  return { keptPicture }
}
