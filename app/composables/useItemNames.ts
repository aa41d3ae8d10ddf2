import { describeValue } from '#core/elements'
import { fieldLabel } from '#core/catalogue'
import type { Item, Property } from '#core/tree'
import { useSite } from '~/stores/site'

/** What an item of a list is called: by the value that it is known by, as that is called now. */
export function useItemNames() {
  const site = useSite()
  const names = useElementNames()
  return ({ of, named }: Extract<Property, { kind: 'items' }>, item: Item): string => {
    const value = item.props[named] ?? of[named]?.default
    const { kind } = of[named] ?? {}
    const catalogue = site.catalogue!
    if (kind === 'entry-field' && typeof value === 'string')
      return fieldLabel(catalogue, { of: 'page', field: value }) ?? 'a field that no longer exists'
    if (kind === 'type' && typeof value === 'string') return names.value.type(value) ?? 'a type that no longer exists'
    if (kind === 'link' && typeof value === 'object' && value && 'page' in value)
      return catalogue.page(String(value.page))?.title ?? 'a page that no longer exists'
    return describeValue(value, names.value)
  }
}
