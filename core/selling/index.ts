export { type Minor, MOST_MONEY, allotted, amountOf, minorOf, shareOf, writeMoney } from './money'
export { minorDigits } from './currencies'
export { COUNTRY, type DeliveryWay, PLAIN_SHOP, type Sells, type ShopSettings, type TaxClass } from './rules'
export { sellsShape, shopShape } from './rules'
