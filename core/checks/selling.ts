import type { Catalogue } from '../catalogue'
import { PLAIN_SHOP } from '../selling'
import type { PageType } from '../model'
import { type FieldRole, kindsFor } from '../fields'
import type { Finding, SoldBy } from './types'

/** What a field has to be able to say that says something of how entries are sold. */
const ROLES: Readonly<Record<Exclude<SoldBy, 'tax'>, FieldRole>> = {
  price: 'price',
  stock: 'stock',
  on: 'day',
  offers: 'offers',
}

/** The fields that a page type is sold by, each with what it says. */
export function soldBy({ sells }: PageType): [Exclude<SoldBy, 'tax'>, string][] {
  return (Object.keys(ROLES) as (keyof typeof ROLES)[]).flatMap((by) => {
    const field = sells?.[by]
    return field === undefined ? [] : [[by, field]]
  })
}

/** Page types that are sold by fields which they do not have, or that are of another kind, or by a tax that is gone. */
export function checkSelling({ site }: Catalogue): Finding[] {
  if (!site.settings.shop) return []
  const { taxes } = site.settings.selling ?? PLAIN_SHOP
  return site.types.flatMap((type) => {
    if (!type.sells) return []
    const { tax } = type.sells
    const wrong = soldBy(type).filter(
      ([by, id]) => !type.fields.some((f) => f.id === id && kindsFor(ROLES[by]).includes(f.kind)),
    )
    const all: [SoldBy, string][] = taxes.some((t) => t.id === tax) ? wrong : [...wrong, ['tax', tax]]
    return all.map(([by, id]): Finding => ({ kind: 'unsold', type: type.id, by, id }))
  })
}
