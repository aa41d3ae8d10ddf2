export { MOST_TOKENS, type Untaken } from './flat'
export { type TokensRead, editBetween, readHouseTokens, writeHouseTokens } from './house'
