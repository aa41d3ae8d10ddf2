export * from './house'
export * from './property'
export * from './properties'
export {
  FAMILIES,
  type Family,
  familyNamed,
  familyStack,
  fontFaceCss,
  isFamily,
  lacksLetters,
  ownFamily,
} from './fonts'
export { type Letters, lettersOf } from './letters'
export { SHIPPED } from './families'
export { HOUSE_FAMILIES } from './type'
export { houseUpToDate } from './house-formats'
export { TYPE_STEPS, lengthCss, refuseLength, typedLength } from './lengths'
export { lookClass, namedRules } from './named'
export { baseCss, fontsAtOnce } from './base'
export {
  STEP_LIMITS,
  classOf,
  mediaOf,
  shortHash,
  stepAt,
  ruleOf,
  layered,
  rulesCss,
  cascade,
  steppedAt,
  WIDER,
  type Looks,
  type CssRule,
} from './sheet'
export {
  LEAST_CONTRAST,
  contrastBetween,
  leastContrast,
  nearestReadable,
  opacityOf,
  seenThrough,
  withOpacity,
  opaque,
} from './contrast'
export { houseShape, namedLookShape, paletteColourShape } from './shapes'
export { HOUSE_EDITING } from './house-edits'
