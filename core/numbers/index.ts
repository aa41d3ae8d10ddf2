export { type Decimal, decimalOf, isReadTwoWays, numberWords, readNumber } from './read-number'
export { readSum } from './sums'
