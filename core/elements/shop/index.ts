import type { ElementSpec } from '../base'
import { billingAddress, deliveryAddress } from './address'
import { basketLines } from './basket-lines'
import { basketLink } from './basket-link'
import { buy } from './buy'
import { buyer } from './buyer'
import { deliveryChoice, orderNote, paymentChoice } from './choices'
import { discount } from './discount'
import { orderStatus, receipt } from './order'
import { orderSummary } from './order-summary'
import { alsoLike } from './also-like'
import { ownOrders } from './own-orders'
import { checkoutSteps } from './steps'
import { orderConsent, placeOrder } from './place-order'

/** Elements of the shop, in the order of the elements panel. */
export const SHOP: readonly ElementSpec[] = [
  buy,
  basketLink,
  basketLines,
  discount,
  orderSummary,
  buyer,
  billingAddress,
  deliveryAddress,
  deliveryChoice,
  paymentChoice,
  orderNote,
  orderConsent,
  checkoutSteps,
  placeOrder,
  receipt,
  orderStatus,
  ownOrders,
  alsoLike,
]

export { ADDED } from './buy'
export { ORDER } from './order'
export { STEP, seenInStep, stepAsked, stepsAmong } from './steps'
export { checkoutWords } from './place-order'
export { SHOP_FORM_HTML, shopSays } from './form'
export { askedBy, asksFor, labelsOf } from './asked'
