export { type DiscountCode, codeOf, discountShape } from './discounts'
export { type Alike, alikeTo } from './alike'
export { type Goods, type Taken, MOST_OF_ONE, goodsOf, goodsOfEntry, mostOf, skuOf } from './goods'
export {
  type Basket,
  type BasketLine,
  type LineChange,
  type SeenLine,
  EMPTY_BASKET,
  MOST_LINES,
  basketShape,
  caughtUp,
  countIn,
  looked,
  merged,
  putBack,
  putIn,
  quantityOf,
  setCount,
  takeOut,
} from './basket'
export {
  type CodeProblem,
  type Priced,
  type TaxTotal,
  type Totals,
  deliveryCost,
  pricedOf,
  discounts,
  rateOf,
  totalsOf,
} from './totals'
export {
  type Address,
  type AddressPart,
  ADDRESS_PARTS,
  MOST_PART,
  addressLines,
  addressParts,
  addressProblems,
  addressShape,
  allCountries,
  countryName,
  neededParts,
} from './addresses'
export * from './checkout'
export {
  type Buyer,
  type Order,
  type OrderEvent,
  type OrderLine,
  type OrderState,
  HOLDS,
  ORDER_EVENTS,
  ORDER_STATES,
  nextState,
  orderShape,
  withoutPerson,
} from './orders'
export { type PaymentEvent, type PaymentState, PAYMENT_STATES, nextPaymentState } from './payments'
export { type PaymentWay, type Shopping, type ShownOrder, sampleShopping } from './shopping'
