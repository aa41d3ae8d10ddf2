import { type Names, elementSpec } from '#core/elements'
import { type LayoutElement, type Value, isFieldValue } from '#core/tree'
import { fieldLabel } from '#core/site'
import { useSite } from '~/stores/site'

/** What fields, menus and page types are called now, for the labels of elements. */
export function useElementNames() {
  const site = useSite()
  return computed<Names>(() => {
    const catalogue = site.catalogue!
    return {
      field: (value) => (isFieldValue(value) ? fieldLabel(catalogue, value) : null),
      menu: (id) => catalogue.menus.get(id)?.name ?? null,
      type: (id) => catalogue.types.get(id)?.plural ?? null,
    }
  })
}

/** The properties of an element with the defaults of those that are not set. */
export function filledProps(element: LayoutElement): Record<string, Value> {
  const spec = elementSpec(element.type)
  const defaults = Object.fromEntries(Object.entries(spec?.props ?? {}).map(([name, p]) => [name, p.default as Value]))
  return { ...defaults, ...element.props }
}
