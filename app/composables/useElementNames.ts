import type { Names } from '#core/elements'
import { isFieldValue } from '#core/tree'
import { fieldLabel } from '#core/catalogue'
import { useDesign } from '~/stores/design'
import { useSite } from '~/stores/site'

/** What fields, menus and page types are called now, for the labels of elements. */
export function useElementNames() {
  const site = useSite()
  const design = useDesign()
  return computed<Names>(() => {
    const catalogue = site.catalogue!
    return {
      field: (value) => (isFieldValue(value) ? fieldLabel(catalogue, value) : null),
      menu: (id) => catalogue.menus.get(id)?.name ?? null,
      type: (id) => catalogue.types.get(id)?.plural ?? null,
      piece: (id) => design.layoutById.get(id)?.layout.name ?? null,
    }
  })
}
