export * from './house'
export * from './property'
export * from './properties'
export { FAMILIES, familyNamed, fontFaceCss } from './fonts'
export { baseCss } from './base'
export {
  STEP_LIMITS,
  classOf,
  mediaOf,
  stepAt,
  ruleOf,
  rulesCss,
  cascade,
  steppedAt,
  WIDER,
  type Looks,
  type Rule,
} from './sheet'
export {
  LEAST_CONTRAST,
  contrastBetween,
  leastContrast,
  nearestReadable,
  opacityOf,
  seenThrough,
  withOpacity,
} from './contrast'
export { houseShape } from './shapes'
export { HOUSE_EDITING } from './house-edits'
