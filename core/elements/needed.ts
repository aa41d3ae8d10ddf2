import type { Catalogue } from '../catalogue'
import type { PageKind } from '../model'
import { PLAIN_SHOP } from '../selling'

/**
 * What a working page cannot do without: types of elements, of which one of each group has to stand on it. Where one
 * does not, visitors are shown the plain page instead, which does its work.
 */
function neededOn(kind: PageKind, catalogue: Catalogue): readonly (readonly string[])[] {
  switch (kind) {
    case 'sign-in':
      return [['sign-in']]
    case 'basket':
      return [['basket-lines']]
    case 'receipt':
      return [['receipt', 'order-status']]
    case 'order-status':
      return [['order-status', 'receipt']]
    case 'checkout': {
      const { deliveries } = catalogue.site.settings.selling ?? PLAIN_SHOP
      const delivers = [...catalogue.types.values()].some((t) => t.sells?.delivers)
      const brought = deliveries.some((way) => !way.collected)
      return [
        ['buyer'],
        ...(delivers && brought ? [['delivery-address', 'billing-address']] : []),
        ...(delivers && deliveries.length > 1 ? [['delivery-choice']] : []),
        ['place-order'],
      ]
    }
    default:
      return []
  }
}

const WORKING: ReadonlySet<PageKind> = new Set(['sign-in', 'basket', 'checkout', 'receipt', 'order-status'])

/** Whether a page has work to do that its layout could leave undone. */
export const hasWork = (kind: PageKind): boolean => WORKING.has(kind)

/** Elements that have their work on one page alone: whoever designs with one thinks of that page. */
const WORKS_ON: Readonly<Record<string, PageKind>> = {
  'sign-in': 'sign-in',
  account: 'member',
  'own-orders': 'member',
  'basket-lines': 'basket',
  buyer: 'checkout',
  'place-order': 'checkout',
  receipt: 'receipt',
  'order-status': 'order-status',
}

/** Types of elements that do the work of some page: where the list above may ask for them. */
const WORK: ReadonlySet<string> = new Set([
  ...Object.keys(WORKS_ON),
  'delivery-address',
  'billing-address',
  'delivery-choice',
])
export const isWork = (type: string): boolean => WORK.has(type)

/** The working page that elements of these types are for, by the first that is for one; null where none is. */
export function workOf(types: readonly string[]): PageKind | null {
  const type = types.find((t) => Object.hasOwn(WORKS_ON, t))
  return type === undefined ? null : WORKS_ON[type]!
}

/** Which elements a working page lacks for its work, by their types; `types` are those of all elements on it. */
export const lackingOn = (kind: PageKind, types: ReadonlySet<string>, catalogue: Catalogue): string[] =>
  neededOn(kind, catalogue).flatMap((group) => (group.some((t) => types.has(t)) ? [] : [group[0]!]))
