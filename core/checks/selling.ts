import type { Catalogue } from '../catalogue'
import { type FieldKind, PLAIN_SHOP, type PageType } from '../model'
import type { Finding, SoldBy } from './types'

/** Of which kind a field has to be that says something of how entries are sold. */
const KINDS: Readonly<Record<Exclude<SoldBy, 'tax'>, readonly FieldKind[]>> = {
  price: ['money'],
  stock: ['number'],
  on: ['date', 'moment'],
  offers: ['offers'],
}

/** The fields that a page type is sold by, each with what it says. */
export function soldBy({ sells }: PageType): [Exclude<SoldBy, 'tax'>, string][] {
  return (Object.keys(KINDS) as (keyof typeof KINDS)[]).flatMap((by) => {
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
    const wrong = soldBy(type).filter(([by, id]) => !type.fields.some((f) => f.id === id && KINDS[by].includes(f.kind)))
    const all: [SoldBy, string][] = taxes.some((t) => t.id === tax) ? wrong : [...wrong, ['tax', tax]]
    return all.map(([by, id]): Finding => ({ kind: 'unsold', type: type.id, by, id }))
  })
}
