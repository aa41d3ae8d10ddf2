import { ORDER_STATES } from '../../core/shop'
import type { OrdersAsked } from '../../shared/api/types'

/** Which orders an address asks for; what it asks otherwise is left out. */
export function ordersAsked(query: Readonly<Record<string, unknown>>): OrdersAsked {
  const state = ORDER_STATES.find((one) => one === query.state)
  const before = Number(query.before)
  const words = typeof query.words === 'string' ? query.words.trim().slice(0, 200) : ''
  return {
    ...(state && { state }),
    ...(words && { words }),
    ...(Number.isSafeInteger(before) && before > 0 && { before }),
  }
}
